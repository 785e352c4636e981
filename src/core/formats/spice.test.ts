import { tell } from '../words'
import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { circuitJsonSchema, readSpice, spiceNumber, toSpice } from '.'
import { Solver } from '../solve'
import { absolute, referenceVoltages, relative } from '../../../test/reference'
import { drawn } from '../../../test/random'

describe('SPICE netlists', () => {
  it.each([
    ['4.7k', 4700],
    ['10MEG', 1e7],
    ['12m', 0.012],
    ['3u', 3e-6],
    ['1e3', 1000],
    ['5volts', 5],
    ['-.5', -0.5],
  ])('%s is %d', (text, value) => expect(spiceNumber(text)! / value).toBeCloseTo(1, 12))

  it('refuse what is not of the subset, line by line', () => {
    const read = readSpice('t\nR1 1 0\nR1 1 0 5\nR2 1 0 -3\nD1 1 0 nomodel\n.tran 1 2\n.model q NPN(BF=1)\n')
    expect(read.ok).toBe(false)
    if (read.ok) return
    expect(read.problems.map((p) => p.where).sort()).toEqual(
      ['line 2', 'line 3', 'line 4', 'line 5', 'line 6', 'line 7'].sort(),
    )
  })

  it('never crash on anything', () => {
    fc.assert(fc.property(fc.string(), (text) => void readSpice(`title\n${text}`)))
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[RVID.+*][ -~]{0,20}$/)),
        (lines) => void readSpice(['t', ...lines].join('\n')),
      ),
    )
  })

  it(
    'solve like the reference engine: random ladders of resistors, sources and diodes, and come back from export',
    { tags: ['sweep'] },
    async () => {
      const ladder = fc.array(
        fc.record({
          ohms: fc.double({ min: -1, max: 4, noNaN: true }),
          kind: fc.nat(3),
          flip: fc.boolean(),
          emission: fc.double({ min: 1, max: 2, noNaN: true }),
        }),
        { minLength: 2, maxLength: 14 },
      )
      await fc.assert(
        fc.asyncProperty(ladder, fc.double({ min: -14, max: 28, noNaN: true }), async (rungs, volts) => {
          const lines = ['ladder', `V1 n0 0 ${volts}`]
          rungs.forEach(({ ohms, kind, flip, emission }, i) => {
            const [a, b] = [`n${i}`, `n${i + 1}`]
            lines.push(`R${i} ${a} ${b} ${10 ** ohms}`, `RG${i} ${b} 0 ${100 * (i + 1)}`)
            if (kind === 0)
              lines.push(
                `D${i} ${flip ? `0 ${b}` : `${b} 0`} M${i}`,
                `.model M${i} D(IS=1e-13 N=${emission} RS=0.02)`,
              )
            if (kind === 1) lines.push(`I${i} 0 ${b} ${emission}m`)
            if (kind === 2)
              lines.push(
                `D${i} ${flip ? `${a} ${b}` : `${b} ${a}`} M${i}`,
                `.model M${i} D(IS=1e-14 N=${emission})`,
              )
          })
          const read = readSpice([...lines, '.op', '.end'].join('\n'))
          if (!read.ok) throw new Error(JSON.stringify(read.problems))
          const { network } = read.value
          const solved = new Solver(network).solve()
          if (!solved.ok) throw new Error(tell(solved.why))
          for (const [node, expected] of (await referenceVoltages(network)) ?? []) {
            expect(Math.abs(solved.voltage[node]! - expected)).toBeLessThan(
              Math.max(absolute, relative * Math.abs(expected)),
            )
          }
          expect(toSpice(network, 'again')).toContain('.op')
        }),
        drawn(80),
      )
    },
  )
})

describe('the published schema', () => {
  it('is the one that the door uses', () => {
    expect(JSON.parse(readFileSync('docs/circuit.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(circuitJsonSchema(tell))),
    )
  })
})
