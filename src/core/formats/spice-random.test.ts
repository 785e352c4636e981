import { tell } from '../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { solveBoard } from '../board'
import { readCircuit } from '../editing'
import { Solver } from '../solve'
import { circuitOfSpice, readSpice } from '.'
import { drawn } from '../../../test/random'

/** A ladder of resistors with diodes and loads on its rungs, as somebody might have it in a file. */
const netlist = fc
  .record({
    volts: fc.double({ min: 6, max: 28, noNaN: true }),
    rungs: fc.array(
      fc.record({
        ohms: fc.double({ min: 0.1, max: 200, noNaN: true }),
        kind: fc.constantFrom('R', 'D', 'I', 'none'),
        knee: fc.double({ min: 1, max: 2, noNaN: true }),
        amps: fc.double({ min: 0.001, max: 0.01, noNaN: true }),
        bulk: fc.constantFrom(0, 0.05, 2),
      }),
      { minLength: 1, maxLength: 9 },
    ),
  })
  .map(({ volts, rungs }) => {
    const lines = ['ladder', `V1 n0 0 ${volts}`]
    const draws = rungs.map(({ kind, amps }) => (kind === 'I' ? amps : 0))
    rungs.forEach(({ ohms, kind, knee, amps, bulk }, i) => {
      const [a, b] = [`n${i}`, `n${i + 1}`]
      lines.push(`R${i} ${a} ${b} ${ohms}`, `RG${i} ${b} 0 ${2000 + 100 * i}`)
      if (kind === 'R') lines.push(`RX${i} ${b} 0 900`)
      if (kind === 'I') lines.push(`I${i} ${b} 0 ${amps}`)
      // A diode in the way of what comes after it would leave the loads behind it without volts: it leads off through ohms.
      if (kind === 'D')
        lines.push(
          `RD${i} ${b} d${i} 1.5k`,
          `D${i} d${i} 0 M${i}`,
          `.model M${i} D(IS=1e-12 N=${knee} RS=${bulk})`,
        )
    })
    return { text: [...lines, '.op', '.end'].join('\n'), draws }
  })

describe('a random netlist that comes in as a circuit', () => {
  it('is a circuit that reads, saves and reads again, with the volts of the netlist at every node', () => {
    let taken = 0
    fc.assert(
      fc.property(netlist, ({ text, draws }) => {
        const plain = readSpice(text)
        if (!plain.ok) throw new Error(JSON.stringify(plain.problems))
        const expected = new Solver(plain.value.network).solve()
        if (!expected.ok) throw new Error(tell(expected.why))
        const volts = (name: string) => expected.voltage[plain.value.nodeNames.indexOf(name)]!
        const read = circuitOfSpice(text)
        const starved = draws.some((amps, i) => amps > 0 && volts(`n${i + 1}`) < 1)
        if (!read.ok) {
          // Only a load that the ladder leaves without volts may be refused.
          expect(starved).toBe(true)
          for (const problem of read.problems) expect(tell(problem)).toMatch(/under 1 V/)
          return
        }
        taken++
        const again = readCircuit(JSON.parse(JSON.stringify(read.value)), { unfinished: true })
        expect(again).toMatchObject({ ok: true, value: { parts: read.value.parts } })
        const solved = solveBoard(read.value, [], read.value.states[0]!)
        if (!solved.ok) throw new Error(tell(solved.why))
        const { wiring } = solved.board
        for (const path of read.value.paths.filter((p) => /^R\d/.test(p.name ?? p.id))) {
          const part = path.steps[0]!.part
          const node = wiring.nodeOf(part, 'b')
          const name = `n${Number(path.id.slice(1)) + 1}`
          // A supply of a microhm, and a load that lets go under its last tenths: 0.1 mV.
          expect(Math.abs(solved.point.voltage[node]! - volts(name)), name).toBeLessThan(1e-4)
        }
      }),
      drawn(60, 31),
    )
    expect(taken).toBeGreaterThan(40)
  })

  it('has a part for every element, by its own name', () => {
    fc.assert(
      fc.property(netlist, ({ text }) => {
        const read = circuitOfSpice(text)
        if (!read.ok) return
        const written = text.split('\n').filter((line) => /^[RVID]/.test(line))
        expect(read.value.parts.map((p) => p.name).sort()).toEqual(
          written.map((line) => line.split(' ')[0]!).sort(),
        )
      }),
      drawn(30, 32),
    )
  })
})
