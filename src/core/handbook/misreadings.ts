import type { ExampleReading, RuleExample } from '../assessment'
import type { Circuit } from '../circuit'
import {
  ampsByFuse,
  clampAmps,
  connectJumper,
  readContinuity,
  readTestLamp,
  workshopMeter,
} from '../instruments'
import { glows } from './measure'
import { say } from '../document'
import type { Shown } from './procedure'
import { WorkedCircuit } from './worked-circuit'

/** @throws Error where an example names a point that its circuit has not: a test opens every one. */
function node(worked: WorkedCircuit, point: string): number {
  const found = worked.wiring.points.find(({ name }) => name === point)
  if (!found) throw new Error(`${worked.circuit.name} has no point ${point}`)
  return found.node
}

/** What a reading of an example shows on its stand. */
export function shownOf(worked: WorkedCircuit, reading: ExampleReading): Shown {
  switch (reading.read) {
    case 'volts':
    case 'ohms':
    case 'beep': {
      const { read, red: from, black: to, wiggled } = reading
      const at = worked.circuit.states.find(({ id }) => id === reading.state) ?? worked.state
      const arranged = { controls: at.controls, detached: at.detached, ...(wiggled && { wiggled }) }
      const [red, black] = [node(worked, from), node(worked, to)]
      const what = say(read === 'volts' ? 'handbook.between' : 'handbook.ohmsBetween', {
        from,
        to,
        state: at.name,
      })
      if (read === 'volts') return { what, value: worked.volts(red, black, arranged), unit: 'V' }
      if (read === 'ohms') return { what, value: worked.ohms(red, black, arranged), unit: 'Ω' }
      const solved = worked.board(arranged)
      const beeps = solved && readContinuity(solved, red, black, workshopMeter).beeps
      return { what, unit: 'Ω', word: say('handbook.beeps', { beeps: beeps ? 'yes' : 'no' }) }
    }
    case 'lamp': {
      const { red, black, amps } = reading
      const solved = worked.board()
      const [a, b] = [node(worked, red), node(worked, black)]
      const glow = solved ? readTestLamp(solved, a, b, amps, worked.nominal).glow : 'dark'
      return glows(
        say('handbook.lampBetween', { amps: { value: amps, unit: 'A' }, from: red, to: black }),
        glow,
      )
    }
    case 'clamp': {
      const { wires, also, sees } = reading
      const solved = worked.board()
      const round = wires.map((part) => ({ part, at: 0.5, against: false }))
      const amps = solved && sees ? Math.abs(clampAmps(solved, round)) : 0
      return { what: say('handbook.clampRound', { wires: wires.join(' + ') }), value: amps + also, unit: 'A' }
    }
    case 'bridge': {
      const { red, black, rating } = reading
      const solved = worked.board()
      const done = solved && connectJumper(solved, node(worked, red), node(worked, black), rating)
      const value = done?.blew ? 0 : Math.abs(done?.amps ?? 0)
      return { what: say('handbook.ampsFlow', { from: red, to: black }), value, unit: 'A' }
    }
    case 'fuseTable': {
      const { part, type, rating, own } = reading
      const volts = worked.readings()?.fuses.find((row) => row.part === part)?.value ?? 0
      const value = ampsByFuse(type, rating, volts, workshopMeter).tableAmps
      return { what: say(own ? 'handbook.byOwnTable' : 'handbook.byTable', { part }), value, unit: 'A', part }
    }
    case 'times': {
      const { value, unit } = shownOf(worked, reading.of)
      return {
        what: say(`handbook.${reading.said}`),
        value: value === undefined ? undefined : value * reading.factor,
        unit: reading.unit ?? unit,
      }
    }
  }
}

/** The stand of an example, on its circuit. */
export function workedCircuitOf(
  { state, faults = [] }: Pick<RuleExample, 'state' | 'faults'>,
  circuit: Circuit,
): WorkedCircuit {
  const at = circuit.states.find(({ id }) => id === state) ?? circuit.states[0]!
  return new WorkedCircuit(circuit, faults, at, '')
}
