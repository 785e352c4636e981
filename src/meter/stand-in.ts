import type { z } from 'zod'
import { arrangementSchema, checkArrangement, stateOf } from '../core/attempt'
import { aftermath, drawBoard, solveBoard } from '../core/board'
import { wireUp } from '../core/model'
import { type Circuit } from '../core/circuit'
import type { Fault } from '../core/faults'
import {
  heldSchema,
  instrumentOf,
  locate,
  numberOf,
  settingsOf,
  workshopMeter,
  type Held,
  type InstrumentKey,
} from '../core/instruments'

/** A circuit with its fault as one real board would be: parts drawn within their tolerance, noise on the display. */
export interface SimulatedBoard {
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  readonly seed: number
}

/** Functions by the word that a meter knows them by, short form in capitals (SCPI-1999, volume 1, 6.2.1). */
const functions: readonly (readonly [pattern: RegExp, key: InstrumentKey, name: string])[] = [
  [/^volt(age)?(:dc)?$/i, 'volts', 'VOLT:DC'],
  [/^res(istance)?$/i, 'ohms', 'RES'],
  [/^cont(inuity)?$/i, 'continuity', 'CONT'],
  [/^diod(e)?$/i, 'diode', 'DIOD'],
  [/^curr(ent)?(:dc)?$/i, 'amps', 'CURR:DC'],
]
const overload = '+9.90000000E+37'

/**
 * A meter without hardware: SCPI lines in, lines out. It measures a simulated board; what its leads touch, and how the board
 * is arranged, it is told by two commands of its own:
 * `SIMulate:HOLD {"type":"leads","red":"L1a","black":"B1-"}` and `SIMulate:STATe {"controls":{"S1":"closed"},"detached":[]}`.
 */
export class StandIn {
  private fn: InstrumentKey = 'volts'
  private held: Held | undefined
  private arrangement: z.infer<typeof arrangementSchema>
  private readonly errors: string[] = []
  private readings = 0
  private last: string | undefined

  constructor(private readonly board: SimulatedBoard) {
    const [first] = board.circuit.states
    this.arrangement = { controls: first?.controls ?? {}, detached: first?.detached ?? [] }
  }

  /** The answer to a line; undefined where none is asked for. */
  answer(line: string): string | undefined {
    const [head = '', ...rest] = line.trim().split(/\s+/)
    const text = line.trim().slice(head.length).trim()
    const command = head.replace(/^:/, '')
    if (/^\*idn\?$/i.test(command)) return 'Brachyon,Stand-in meter,0,1.0'
    if (/^\*opc\?$/i.test(command)) return '1'
    if (/^\*(rst|cls)$/i.test(command)) {
      this.errors.length = 0
      if (/rst/i.test(command)) this.fn = 'volts'
      return undefined
    }
    if (/^syst(em)?:err(or)?(:next)?\?$/i.test(command)) return this.errors.shift() ?? '0,"No error"'
    if (/^conf(igure)?\?$/i.test(command)) return `"${functions.find(([, key]) => key === this.fn)![2]}"`
    const set = /^(conf(?:igure)?|meas(?:ure)?):(.+?)(\?)?$/i.exec(command)
    if (set) {
      const found = functions.find(([pattern]) => pattern.test(set[2]!))
      if (!found) return this.fault('-113,"Undefined header"')
      this.fn = found[1]
      return /^meas/i.test(set[1]!) ? this.read() : undefined
    }
    if (/^read\?$/i.test(command)) return this.read()
    if (/^fetc(h)?\?$/i.test(command)) return this.last ?? this.fault('-230,"Data corrupt or stale"')
    if (/^sim(ulate)?:hold$/i.test(command)) return this.take(text, heldSchema, (held) => (this.held = held))
    if (/^sim(ulate)?:stat(e)?$/i.test(command))
      return this.take(text, arrangementSchema, (arrangement) => {
        if (checkArrangement(this.board.circuit, arrangement)) this.fault('-224,"Illegal parameter value"')
        else this.arrangement = arrangement
      })
    if (/^sim(ulate)?:boar(d)?\?$/i.test(command)) return `"${this.board.circuit.name}"`
    return rest.length || command ? this.fault('-113,"Undefined header"') : undefined
  }

  private take<T>(text: string, schema: z.ZodType<T>, keep: (value: T) => void): undefined {
    let value: unknown
    try {
      value = JSON.parse(text)
    } catch {
      return this.fault('-102,"Syntax error"')
    }
    const read = schema.safeParse(value)
    if (read.success) keep(read.data)
    else this.fault('-224,"Illegal parameter value"')
    return undefined
  }

  private fault(text: string): undefined {
    if (this.errors.length < 20) this.errors.push(text)
    return undefined
  }

  private read(): string | undefined {
    const { circuit, planted, seed } = this.board
    const wiring = wireUp(circuit)
    const located = this.held && locate(circuit, wiring, this.held)
    // Leads in the air: volts of nothing, no way for ohms.
    if (!located?.ok) return this.fault('-221,"Settings conflict; the leads are on nothing"')
    const state = stateOf(this.arrangement)
    const blown = aftermath(circuit, planted)
    const solved = solveBoard(circuit, planted, state, { blown })
    const drawn =
      solved.ok &&
      drawBoard(solved, ({ part, segment }, nth) => chance(`${seed} ${part}.${segment}.${nth}`) * 0.6)
    if (!drawn) return this.fault('-300,"Device-specific error; no steady reading"')
    const instrument = instrumentOf(this.fn)
    const reading = instrument.read({
      solved: drawn,
      place: located.place,
      settings: settingsOf(instrument),
      meter: workshopMeter,
    })
    const value = numberOf(instrument, reading)
    this.readings++
    // The last digit flickers.
    const noise = Number.isFinite(value)
      ? Math.abs(value) * 2e-4 * chance(`${seed} noise ${this.readings}`)
      : 0
    this.last = Number.isFinite(value) ? scientific(value + noise) : overload
    return this.last
  }
}

/** `+1.23400000E+01`, as meters write numbers (IEEE 488.2, NR3). */
function scientific(value: number): string {
  const [digits = '0', power = '0'] = value.toExponential(8).split('e')
  const size = Math.abs(Number(power))
  return `${value < 0 ? '' : '+'}${digits}E${power.startsWith('-') ? '-' : '+'}${String(size).padStart(2, '0')}`
}

/** From −1 to 1, always the same for the same words: a board stays what it is. */
function chance(words: string): number {
  let hash = 2166136261
  for (const char of words) hash = Math.imul(hash ^ char.charCodeAt(0), 16777619)
  hash = Math.imul(hash ^ (hash >>> 15), 2246822507)
  hash ^= hash >>> 13
  return (hash >>> 0) / 2 ** 31 - 1
}
