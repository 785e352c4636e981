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
import { Stand } from './stand'

/** @throws Error where an example names a point that its circuit has not: a test opens every one. */
function node(stand: Stand, point: string): number {
  const found = stand.wiring.points.find(({ name }) => name === point)
  if (!found) throw new Error(`${stand.circuit.name} has no point ${point}`)
  return found.node
}

/** What a reading of an example shows on its stand. */
export function shownOf(stand: Stand, reading: ExampleReading): Shown {
  switch (reading.read) {
    case 'volts':
    case 'ohms':
    case 'beep': {
      const { read, red: from, black: to, wiggled } = reading
      const at = stand.circuit.states.find(({ id }) => id === reading.state) ?? stand.state
      const arranged = { controls: at.controls, detached: at.detached, ...(wiggled && { wiggled }) }
      const [red, black] = [node(stand, from), node(stand, to)]
      const what = say(read === 'volts' ? 'handbook.between' : 'handbook.ohmsBetween', {
        from,
        to,
        state: at.name,
      })
      if (read === 'volts') return { what, value: stand.volts(red, black, arranged), unit: 'V' }
      if (read === 'ohms') return { what, value: stand.ohms(red, black, arranged), unit: 'Ω' }
      const solved = stand.board(arranged)
      const beeps = solved && readContinuity(solved, red, black, workshopMeter).beeps
      return { what, unit: 'Ω', word: say('handbook.beeps', { beeps: beeps ? 'yes' : 'no' }) }
    }
    case 'lamp': {
      const { red, black, amps } = reading
      const solved = stand.board()
      const [a, b] = [node(stand, red), node(stand, black)]
      const glow = solved ? readTestLamp(solved, a, b, amps, stand.nominal).glow : 'dark'
      return glows(
        say('handbook.lampBetween', { amps: { value: amps, unit: 'A' }, from: red, to: black }),
        glow,
      )
    }
    case 'clamp': {
      const { wires, also, sees } = reading
      const solved = stand.board()
      const round = wires.map((part) => ({ part, at: 0.5, against: false }))
      const amps = solved && sees ? Math.abs(clampAmps(solved, round)) : 0
      return { what: say('handbook.clampRound', { wires: wires.join(' + ') }), value: amps + also, unit: 'A' }
    }
    case 'bridge': {
      const { red, black, rating } = reading
      const solved = stand.board()
      const done = solved && connectJumper(solved, node(stand, red), node(stand, black), rating)
      const value = done?.blew ? 0 : Math.abs(done?.amps ?? 0)
      return { what: say('handbook.ampsFlow', { from: red, to: black }), value, unit: 'A' }
    }
    case 'fuseTable': {
      const { part, type, rating, own } = reading
      const volts = stand.readings()?.fuses.find((row) => row.part === part)?.value ?? 0
      const value = ampsByFuse(type, rating, volts, workshopMeter).tableAmps
      return { what: say(own ? 'handbook.byOwnTable' : 'handbook.byTable', { part }), value, unit: 'A', part }
    }
    case 'times': {
      const { value, unit } = shownOf(stand, reading.of)
      return {
        what: say(`handbook.${reading.said}`),
        value: value === undefined ? undefined : value * reading.factor,
        unit: reading.unit ?? unit,
      }
    }
  }
}

/** The stand of an example, on its circuit. */
export function standOf(
  { state, faults = [] }: Pick<RuleExample, 'state' | 'faults'>,
  circuit: Circuit,
): Stand {
  const at = circuit.states.find(({ id }) => id === state) ?? circuit.states[0]!
  return new Stand(circuit, faults, at, '')
}
