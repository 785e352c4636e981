import { stateOf, type Arrangement } from '../src/core/attempt'
import { aftermath, solveBoard } from '../src/core/board'
import {
  instrumentOf,
  locate,
  numberOf,
  readWith,
  settingsOf,
  workshopMeter,
  type Held,
} from '../src/core/instruments'
import type { InstrumentKey } from '../src/core/instruments'
import { modelOf, wireUp } from '../src/core/model'
import { postsOf, Student, type Leg } from './students'

/** V by which nobody tells two readings of a voltmeter apart here. */
const sameVolts = 0.5

/**
 * Works with what hangs on the wall: the test lamp from point to point, the clamp round a wire for whether anything flows, the
 * ohmmeter across what is left with the battery off. Another school than a voltmeter's, and as good where the lamp tells.
 */
export class OtherRoute extends Student {
  protected override narrow({ legs, load }: { legs: readonly Leg[]; load: number }): {
    leg: Leg
    dead: boolean
  } {
    const [plus, minus] = postsOf(this.circuit)
    this.lamp(plus, minus)
    this.say([])
    this.clamp(legs)
    const found = this.byLamp(legs, load)
    const at = legs.indexOf(found)
    const after = legs.slice(at + 1, load + 1)
    const fuse = found.pieces.find((piece) => piece.endsWith('.fuse'))
    if (!fuse || !after.length) {
      this.leave([found])
      // What dims the lamp carries something: it shows as volts under load, which the ohmmeter's own current would not find.
      if (this.dimmed)
        return { leg: found, dead: this.read(found.from, found.to) > 0.85 * this.good(plus, minus) }
      return { leg: found, dead: this.ohms(found.from, found.to) === Infinity }
    }
    // What blew it is asked before it is blamed.
    this.leave([found, ...after])
    if (this.ohmsAreGood(found.to, minus)) this.leave([found])
    return { leg: found, dead: true }
  }

  /** At the load first: the lamp tells which side of it is open or loses; then that side, from its far end. */
  private byLamp(legs: readonly Leg[], load: number): Leg {
    const [plus, minus] = postsOf(this.circuit)
    if (load > 0 && !this.lamp(legs[load - 1]!.to, minus)) {
      this.leave(legs.slice(0, load))
      for (let i = 0; i < load - 1; i++) {
        if (!this.lamp(legs[i]!.to, minus)) return legs[i]!
        this.leave(legs.slice(i + 1, load))
      }
      return legs[load - 1]!
    }
    this.leave(legs.slice(load))
    if (load + 1 < legs.length && !this.lamp(plus, legs[load + 1]!.from)) {
      this.leave(legs.slice(load + 1))
      for (let i = legs.length - 1; i > load + 1; i--) {
        if (!this.lamp(plus, legs[i]!.from)) return legs[i]!
        this.leave(legs.slice(load + 1, i))
      }
      return legs[load + 1]!
    }
    return legs[load]!
  }

  /** Said with a reading, or with the next one. */
  protected override say(more: readonly string[]): void {
    if (this.attempt.steps.at(-1)?.type === 'test') super.say([...this.unsaid.splice(0), ...more])
    else this.unsaid.push(...more)
  }
  private readonly unsaid: string[] = []

  protected override isWellNow({ from, to }: Leg): boolean {
    const [plus, minus] = postsOf(this.circuit)
    const { legs, load } = this.legs()!
    const at = legs.findIndex((leg) => leg.from === from)
    if (at === load) return true
    return at < load ? this.lamp(to, minus) : this.lamp(plus, from)
  }

  /** Whether the lamp glows as on a good circuit. */
  private lamp(red: string, black: string): boolean {
    // Electronics bear no lamp: there the voltmeter takes its place.
    if (this.isSensitive(red) || this.isSensitive(black))
      return Math.abs(this.read(red, black) - this.good(red, black)) < sameVolts
    const held = { type: 'leads', red, black } as const
    const word = this.usual('testLamp', held)?.word
    const { reading } = this.attempt.measure(held, word === undefined ? 12 : { word }, {
      instrument: 'testLamp',
      arrangement: this.arrangement,
    })
    if (reading.word !== word) {
      this.told = true
      this.dimmed = reading.word === 'dim'
    }
    return reading.word === word
  }
  private isSensitive(name: string): boolean {
    const wiring = wireUp(this.circuit)
    const node = wiring.find(name)?.node
    return modelOf(this.circuit).parts.some(({ part, definition }) =>
      definition.terminals.some(({ key, sensitive }) => sensitive && wiring.nodeOf(part.id, key) === node),
    )
  }
  /** The lamp has shown something that it would not on a good circuit. */
  told = false
  /** Where it last did so, it glowed a little. */
  private dimmed = false

  /** The clamp where it reaches, on the way from post to post. */
  private clamp(legs: readonly Leg[]): void {
    const parts = new Set(legs.flatMap(({ pieces }) => pieces.map((piece) => piece.split('.')[0])))
    const held = instrumentOf('clamp')
      .places(this.circuit, wireUp(this.circuit))
      .find((one) => one.type === 'jaws' && one.round.every((wire) => parts.has(wire)))
    if (!held) return
    const value = this.usual('clamp', held)?.value
    if (value === undefined) return
    this.attempt.measure(held, value, { instrument: 'clamp', arrangement: this.arrangement })
    this.say([])
  }

  /** Ohms between two points with the strap lifted, or the first fuse pulled; undefined where something else feeds them. */
  private ohms(red: string, black: string): number | undefined {
    const asked = this.asked(red, black)
    if (!asked) return undefined
    const { held, usual, arrangement } = asked
    const { reading } = this.attempt.measure(held, usual.value ?? 'OL', { instrument: 'ohms', arrangement })
    this.say([])
    return numberOf(instrumentOf('ohms'), reading)
  }

  private ohmsAreGood(red: string, black: string): boolean {
    const usual = this.asked(red, black)?.usual
    const found = this.ohms(red, black)
    return usual !== undefined && found === numberOf(instrumentOf('ohms'), usual)
  }

  private asked(red: string, black: string) {
    const { parts } = modelOf(this.circuit)
    const first =
      parts.find(({ definition }) => definition.kind === 'strap') ??
      parts.find(({ definition }) => definition.detach && definition.protects)
    if (!first) return undefined
    const arrangement = { ...this.arrangement, detached: [...this.arrangement.detached, first.part.id] }
    const held = { type: 'leads', red, black } as const
    const usual = this.usual('ohms', held, arrangement)
    return usual && !usual.signs.length ? { arrangement, held, usual } : undefined
  }

  /** What the good circuit shows. */
  private usual(instrument: InstrumentKey, held: Held, arrangement: Arrangement = this.arrangement) {
    const solved = solveBoard(this.circuit, [], stateOf(arrangement), {
      blown: aftermath(this.circuit, []),
    })
    const located = locate(this.circuit, wireUp(this.circuit), held)
    if (!solved.ok || !located.ok) return undefined
    const settings = settingsOf(instrumentOf(instrument))
    const read = readWith(solved, { instrument, settings, place: located.place }, [], workshopMeter)
    return read.ok ? read.reading : undefined
  }
}
