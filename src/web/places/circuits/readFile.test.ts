import { tell } from '../../../contract/words'
import { describe, expect, it } from 'vitest'
import { demoText } from '../../../../test/demo'
import { readFile } from './readFile'

const file = (text: string, name = 'circuit.json') => new File([text], name)
const lamp = demoText('sweeper-work-lamp')

describe('a file that somebody chose or dropped', () => {
  it('is a circuit, whatever it is called', async () => {
    const read = await readFile(file(lamp, 'lamp.txt'))
    expect(read).toMatchObject({ ok: true, from: 'formats.circuitFile', open: [] })
  })

  it('is a netlist by its ending, or by what is in it', async () => {
    const text = 'divider\nV1 a 0 12\nR1 a b 100\nR2 b 0 100\n.op\n.end\n'
    for (const name of ['divider.cir', 'divider.txt'])
      expect(await readFile(file(text, name))).toMatchObject({ ok: true, from: 'formats.netlistFile' })
  })

  it('may wait for a return, and says which load does', async () => {
    const read = await readFile(file(lamp.replace('"to": "B1.n"', '"to": "CH1.a"')))
    expect(read.ok && read.open.map((p) => tell(p)).join()).toMatch(/L1 has no return/)
  })

  it.each([
    ['cut off', lamp.slice(0, 300), /not JSON/],
    ['of another format', '{"format": "something else"}', /format must be/],
    ['of a version to come', lamp.replace('"version": 1', '"version": 99'), /version/],
    ['with a part that does not exist', lamp.replace('"kind": "lamp"', '"kind": "laser"'), /Unknown kind/],
    ['empty', '', /not JSON/],
    ['a netlist with a slip', 'x\nV1 a 0 12\nR1 a 0 zero\n.end\n', /no value for R1/],
  ])('that is %s is refused with the reason, by name', async (_, text, what) => {
    const read = await readFile(file(text, text.startsWith('x') ? 'slip.cir' : 'slip.json'))
    if (read.ok) throw new Error('taken in')
    expect(read.problems.map((p) => tell(p)).join()).toMatch(what)
  })

  it('too large is not even read', async () => {
    const read = await readFile(file('x'.repeat(2_100_000)))
    expect(read.ok ? '' : tell(read.problems[0]!)).toMatch(/2 MB/)
  })
})
