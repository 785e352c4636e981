import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { runJudge } from './run-judge'

const folder = 'demo/ways'
const scratch = mkdtempSync(join(tmpdir(), 'brachyon-ways-'))
afterAll(() => rmSync(scratch, { recursive: true }))
const files = readdirSync(folder).filter((name) => name.endsWith('.json'))
const read = (name: string) =>
  JSON.parse(readFileSync(`${folder}/${name}`, 'utf8')) as {
    title?: string
    expects?: { reads: { test: number; from: number; to: number }[]; says: string[]; mark?: [number, number] }
  }

describe('the ways that practitioners take', () => {
  it('are all there, each with what must be read and said of it', () => {
    expect(files).toHaveLength(21)
    for (const name of files) {
      const { title, expects } = read(name)
      expect(title, name).toBeTruthy()
      expect(expects?.reads.length, name).toBeGreaterThan(1)
      expect(expects?.says.length, name).toBeGreaterThan(0)
      expect(expects?.mark, name).toBeDefined()
    }
  })

  it.each(files)(
    '%s is read within its bands, and judged as it must be',
    (name) => {
      expect(runJudge([`${folder}/${name}`])).toMatchObject({ status: 0, stderr: '' })
    },
    60_000,
  )

  it('fail where a reading, a word or the mark is another than expected', () => {
    const [name] = files
    const attempt = JSON.parse(readFileSync(`${folder}/${name}`, 'utf8')) as Record<string, unknown>
    const expects = { reads: [{ test: 1, from: 99, to: 100 }], says: ['assessment.nothing'], mark: [0, 1] }
    const path = join(scratch, 'other.json')
    writeFileSync(path, JSON.stringify({ ...attempt, expects }))
    const { status, stderr } = runJudge([path])
    expect(status).toBe(1)
    expect(stderr).toMatch(/Reading 1 is .*, expected from 99/)
    expect(stderr).toContain('is not: assessment.nothing')
    expect(stderr).toMatch(/The total is \d+(\.\d)?, expected from 0 to 1/)
  }, 60_000)
})

describe('the mistakes that instructors see again and again', () => {
  const mistakes = readdirSync('demo/mistakes')

  it('are all there, each with what must be said of it', () => {
    expect(mistakes).toHaveLength(25)
    for (const name of mistakes) {
      const { title, expects } = JSON.parse(readFileSync(`demo/mistakes/${name}`, 'utf8')) as ReturnType<
        typeof read
      >
      expect(title, name).toBeTruthy()
      expect(expects?.says.length, name).toBeGreaterThan(0)
      expect(expects?.mark?.[1], name).toBeLessThanOrEqual(95)
    }
  })

  it.each(mistakes)(
    '%s is named as the trade does',
    (name) => {
      expect(runJudge([`demo/mistakes/${name}`])).toMatchObject({ status: 0, stderr: '' })
    },
    60_000,
  )
})
