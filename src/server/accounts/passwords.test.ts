import { describe, expect, it } from 'vitest'
import { checkPassword, hashPassword } from './password-threads'

describe('passwords', () => {
  it('are kept as salted hashes that only the password opens', async () => {
    const [one, two] = await Promise.all([hashPassword('gritter'), hashPassword('gritter')])
    expect(one).not.toBe(two)
    expect(one).not.toContain('gritter')
    expect(await checkPassword('gritter', one!)).toBe(true)
    expect(await checkPassword('Gritter', one!)).toBe(false)
    expect(await checkPassword('', one!)).toBe(false)
  })

  it('open nothing where the hash is damaged', async () => {
    for (const stored of ['', ':', 'abc', 'zz:zz', `${'00'.repeat(16)}:${'00'.repeat(5)}`]) {
      expect(await checkPassword('gritter', stored)).toBe(false)
    }
  })

  it('are the same however a keyboard composes its letters', async () => {
    expect(await checkPassword('caf\u0065\u0301', await hashPassword('caf\u00e9'))).toBe(true)
  })
})
