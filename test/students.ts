import { partOf, findPieces, piecesOf, wireUp, walkPaths, type Stride } from '../src/core/model'
import {
  arrangementOf,
  complaintIn,
  defaultFrame,
  faultsLeft,
  repairsFor,
  stateOf,
  type Arrangement,
  type Frame,
  type RepairKey,
} from '../src/core/attempt'
import { aftermath, segmentAmps, solveBoard } from '../src/core/board'
import { settable, type Circuit } from '../src/core/circuit'
import { faultsOf, type Fault } from '../src/core/faults'
import { readVolts, workshopMeter } from '../src/core/instruments'
import { partOfKind } from '../src/core/parts'
import { Attempt } from './attempt'

/** In which order a student goes about it. All are schools of the trade; none knows what the judge knows. */
export const habits = ['loadFirst', 'batteryOutward', 'groundFirst', 'halving'] as const
export type Habit = (typeof habits)[number]

/** The state in which a customer notices something, and what; undefined where nothing can be noticed. */
export function complaintOf(
  circuit: Circuit,
  planted: readonly Fault[],
): { arrangement: Arrangement; complaint: Frame['complaint'] } | undefined {
  const gone = aftermath(circuit, planted)
  const usual = aftermath(circuit, [])
  for (const state of circuit.states.filter(settable)) {
    const complaint = complaintIn(circuit, planted, state, gone, usual)
    if (complaint.length) return { arrangement: arrangementOf(state), complaint }
  }
  return undefined
}

/** What is amiss with somebody who otherwise goes the same way. */
export interface Manner {
  /** Never says what a reading clears. */
  readonly silent?: true
  /** V by which every prediction is out, to and fro. */
  readonly out?: number
  /** Takes a test that could not tell anything more. */
  readonly extra?: true
  /** Concludes on another piece than the one that was found, and repairs that. */
  readonly blames?: (found: string) => string | undefined
  /** How sure of the conclusion, per cent; 80 unless given. */
  readonly sure?: number
  /** What is done first, before the way that is taught; true where the work ends with it. */
  readonly before?: (student: Student) => boolean | undefined
  /** What is predicted where a good circuit shows `good`. */
  readonly predicts?: (good: number, red: string, black: string) => number
  /** Pieces that are struck out besides, after a reading. */
  readonly rash?: () => readonly string[]
}

/** Loss beside the good circuit's from which a section is called bad: the lower of the trade's usual limits. */
const tooMuch = 0.15

export interface Leg {
  readonly from: string
  readonly to: string
  readonly pieces: readonly string[]
}

/**
 * Works as instructors teach it: sees the complaint, takes the source under load, then the load, goes into the side that
 * loses, narrows it down between two neighbouring points, says what that leaves, repairs, repeats the test that failed.
 * It knows the drawing and the good circuit's readings, and of the faulted one only what it has measured.
 */
export class Student {
  readonly attempt: Attempt
  private readonly struck = new Set<string>()
  private readonly all: readonly string[]
  /** Parts that do not do what they should. */
  private wrong: readonly string[]

  constructor(
    readonly circuit: Circuit,
    readonly planted: readonly Fault[],
    protected arrangement: Arrangement,
    complaint: Frame['complaint'],
    protected readonly habit: Habit = 'loadFirst',
    frame: Partial<Frame> = {},
    protected readonly manner: Manner = {},
  ) {
    this.attempt = new Attempt(circuit, planted, arrangement, { ...defaultFrame(), complaint, ...frame })
    this.all = piecesOf(circuit).map(({ id }) => id)
    this.wrong = complaint.map(({ part }) => part)
  }

  /** Goes the whole way; false where the drawing offers no path along which to look. */
  work(): boolean {
    this.attempt.operate()
    if (this.manner.before?.(this)) return true
    return this.find() !== undefined
  }

  /** Finds one after the other, looking again after each repair; how many of those planted were found. */
  workOn(planted: readonly Fault[]): number {
    const found = new Set<string>()
    this.attempt.operate()
    for (let round = 0; round < planted.length; round++) {
      if (round > 0) {
        // The complaint again: something is still wrong, here or in another state.
        this.struck.clear()
        const left = faultsLeft(this.circuit, planted, this.attempt.bench)
        const next = complaintOf(this.circuit, left)
        if (!next) break
        this.arrangement = next.arrangement
        this.wrong = next.complaint.map(({ part }) => part)
        this.attempt.operate(next.arrangement)
      }
      const piece = this.find()
      const of = planted.find((f) => findPieces(this.circuit, `${f.part}.${f.segment}`)[0]!.id === piece)
      if (of) found.add(`${of.part}.${of.segment}`)
    }
    return found.size
  }

  /** From the complaint to the proof; the piece that was concluded. */
  private find(): string | undefined {
    const { attempt, arrangement } = this
    const legs = this.legs()
    if (!legs) return undefined
    const found = this.narrow(legs)
    const likeliest = this.likeliest(found.leg.pieces)
    const blamed = this.manner.blames?.(likeliest)
    if (this.manner.blames && blamed === undefined) return undefined
    const piece = blamed ?? likeliest
    if (this.manner.extra) this.read(...postsOf(this.circuit))
    attempt.conclude(piece, this.kindOf(piece, found.dead), this.manner.sure)
    if (blamed !== undefined) {
      attempt.act({ type: 'repair', piece, by: this.waysOf(piece)[0]! })
      attempt.operate(arrangement)
      return piece
    }
    // A way that fits; where the reading is as bad as before, the next.
    for (const way of this.waysOf(piece)) {
      attempt.act({ type: 'repair', piece, by: way })
      if (this.isWellNow(found.leg)) break
    }
    attempt.operate(arrangement)
    return piece
  }

  /** The test that failed, once more. */
  protected isWellNow({ from, to }: Leg): boolean {
    return Math.abs(this.read(from, to) - this.good(from, to)) < tooMuch
  }

  /** How everything stands while the complaint shows. */
  get arranged(): Arrangement {
    return this.arrangement
  }
  /** The way through what does not do what it should, from post to post; undefined where the drawing has none. */
  way(): { legs: readonly Leg[]; load: number } | undefined {
    return this.legs()
  }
  /** Strikes pieces out. */
  strike(pieces: readonly string[]): void {
    this.say(pieces)
  }
  /** What a good circuit shows between two points here. */
  good(red: string, black: string, arrangement = this.arrangement): number {
    const wiring = wireUp(this.circuit)
    const board = solveBoard(this.circuit, [], stateOf(arrangement), {
      blown: aftermath(this.circuit, []),
    })
    if (!board.ok) throw new Error('the good circuit has no answer')
    return readVolts(board, wiring.find(red)!.node, wiring.find(black)!.node, workshopMeter).value ?? 0
  }

  protected read(red: string, black: string): number {
    const { out = 0, predicts = (good: number) => good } = this.manner
    this.sign = -this.sign
    const { reading } = this.attempt.measure(
      { type: 'leads', red, black },
      predicts(this.good(red, black), red, black) + this.sign * out,
      { arrangement: this.arrangement },
    )
    return reading.value ?? 0
  }
  private sign = 1

  /** The part that does not do what it should, a relay before what it switches; and its way from post to post. */
  protected legs(): { legs: readonly Leg[]; load: number } | undefined {
    const { circuit } = this
    const { wrong } = this
    const kindOf = (id: string) => partOfKind(partOf(circuit, id).kind)
    const walks = walkPaths(circuit)
    const targets = [...wrong].sort((a, b) => Number(!kindOf(a).modes) - Number(!kindOf(b).modes))
    for (const target of targets) {
      // Of several ways through the load, the one that is switched on: it loses least on a good circuit.
      const walk = walks
        .filter((w) => w.strides.some((s) => s.part === target && s.side === 'load'))
        .sort((p, q) => this.lost(p.strides) - this.lost(q.strides))[0]
      if (!walk) continue
      const legs: { from: string; to: string; pieces: string[]; load: boolean }[] = []
      let open: Stride[] = []
      for (const stride of walk.strides) {
        open.push(stride)
        if (stride.to.inside) continue
        legs.push({
          from: open[0]!.from.name,
          to: stride.to.name,
          pieces: [
            ...new Set(
              open.flatMap((s) => findPieces(circuit, `${s.part}.${s.segment.key}`).map(({ id }) => id)),
            ),
          ],
          // A step resistor on the way takes volts as well; the load is what was complained of.
          load: open.some((s) => s.side === 'load' && s.part === target),
        })
        open = []
      }
      const load = legs.findIndex((leg) => leg.load)
      if (load >= 0 && legs.length > 2) return { legs, load }
    }
    return undefined
  }

  /** Volts that the good circuit loses on the way, the load left out. */
  private lost(strides: readonly Stride[]): number {
    const own = strides.filter((s) => s.side !== 'load' && !s.from.inside && !s.to.inside)
    return own.reduce((sum, s) => sum + Math.abs(this.good(s.from.name, s.to.name)), 0)
  }

  /** From the whole way down to two neighbouring points. */
  protected narrow({ legs, load }: { legs: readonly Leg[]; load: number }): { leg: Leg; dead: boolean } {
    const [plus, minus] = postsOf(this.circuit)
    const source = this.read(plus, minus)
    // The source itself: it stands low under a load that does not pull it down.
    if (source < this.good(plus, minus) - 0.3) {
      const cells = this.all.filter((id) => id.endsWith('.cells'))
      const leg = { from: plus, to: minus, pieces: cells }
      this.leave([leg])
      return { leg, dead: false }
    }
    this.say([])
    const bad = (from: number, to: number): { bad: boolean; loss: number } => {
      const [a, b] = [legs[from]!.from, legs[to]!.to]
      const loss = this.read(a, b)
      return { bad: loss > 1.15 * this.good(a, b) + tooMuch, loss }
    }
    let [low, high] = [0, legs.length - 1]
    let dead = false
    const into = (from: number, to: number, loss: number) => {
      ;[low, high] = [from, to]
      dead = loss > 0.85 * source
      this.leave(legs.slice(from, to + 1))
    }
    const feed = load > 0 ? ([0, load - 1] as const) : undefined
    const back = load < legs.length - 1 ? ([load + 1, legs.length - 1] as const) : undefined
    const sides = this.habit === 'groundFirst' ? [back, feed] : [feed, back]
    if (this.habit === 'loadFirst') {
      const { loss } = bad(load, load)
      const healthy = this.good(legs[load]!.from, legs[load]!.to)
      if (loss > healthy - tooMuch) {
        this.leave([legs[load]!])
        return { leg: legs[load]!, dead: true }
      }
      this.say([])
    }
    let side = false
    for (const one of sides) {
      if (!one) continue
      const found = bad(...one)
      if (found.bad) {
        into(...one, found.loss)
        side = true
        break
      }
      this.say([])
    }
    if (!side) {
      // Neither side loses: what is left is the load, which gets its volts and does not work.
      bad(load, load)
      this.leave([legs[load]!])
      return { leg: legs[load]!, dead: true }
    }
    while (low < high) {
      const middle = this.habit === 'batteryOutward' ? low : Math.floor((low + high) / 2)
      const found = bad(low, middle)
      if (found.bad) into(low, middle, found.loss)
      else {
        low = middle + 1
        this.leave(legs.slice(low, high + 1))
      }
    }
    return { leg: legs[low]!, dead }
  }

  /** One fault: where the loss is, it is; everything else is struck out. */
  protected leave(legs: readonly Leg[]): void {
    const left = new Set(legs.flatMap((leg) => leg.pieces))
    this.say(this.all.filter((id) => !left.has(id)))
  }

  protected say(more: readonly string[]): void {
    if (this.manner.silent) return
    for (const id of [...more, ...(this.manner.rash?.() ?? [])]) this.struck.add(id)
    this.attempt.infer([...this.struck])
  }

  /** A joint before what it joins. */
  private likeliest(pieces: readonly string[]): string {
    const joints = pieces.filter((id) => /socket|holder|pin|eyelet|foot|bolt|X\d/.test(id))
    return joints[0] ?? pieces[0]!
  }

  private kindOf(name: string, dead: boolean): Fault['kind'] {
    const [piece] = findPieces(this.circuit, name)
    const definition = partOfKind(partOf(this.circuit, piece!.part).kind)
    const kinds = definition.segments
      .filter((s) => piece!.unit.segments.includes(s.key))
      .flatMap((s) => faultsOf(definition, s))
    const wanted: readonly Fault['kind'][] = this.runsUnasked()
      ? ['welded', 'shortToSupply']
      : dead
        ? ['blown', 'burntOut', 'stuckOpen', 'open', 'missingPin']
        : ['discharged', 'highResistance', 'corroded', 'dragging']
    return wanted.find((kind) => kinds.includes(kind)) ?? kinds[0] ?? 'open'
  }

  /** What is complained of is that something runs: on a good circuit it would not, as everything stands. */
  private runsUnasked(): boolean {
    const [state, blown] = [stateOf(this.arrangement), aftermath(this.circuit, [])]
    const sound = solveBoard(this.circuit, [], state, { blown })
    const now = solveBoard(this.circuit, this.attempt.order.planted, state, { blown })
    const amps = (board: typeof now, id: string) =>
      board.ok
        ? Math.max(
            ...partOfKind(partOf(this.circuit, id).kind).segments.map(({ key }) =>
              Math.abs(segmentAmps(board.board, board.point, id, key)),
            ),
          )
        : 0
    return this.wrong.some((id) => amps(sound, id) < 0.01 && amps(now, id) > 0.1)
  }

  /** What anybody would do to such a piece, a new one first. */
  private waysOf(name: string): RepairKey[] {
    const ways = findPieces(this.circuit, name).flatMap((piece) => repairsFor(this.circuit, piece))
    const keys = [...new Set(ways.map(({ key }) => key))]
    return keys.sort((a, b) => Number(b === 'replace') - Number(a === 'replace')).slice(0, 4)
  }
}

/** One reading at the battery, then a guess. */
export function guess(
  circuit: Circuit,
  planted: readonly Fault[],
  { arrangement, complaint }: NonNullable<ReturnType<typeof complaintOf>>,
  said: { piece: string; kind: Fault['kind'] },
): Attempt {
  const attempt = new Attempt(circuit, planted, arrangement, { ...defaultFrame(), complaint })
  const [red, black] = postsOf(circuit)
  attempt.measure({ type: 'leads', red, black }, 12.5)
  attempt.conclude(said.piece, said.kind)
  return attempt
}

interface Complained {
  readonly arrangement: Arrangement
  readonly complaint: Frame['complaint']
}

const begin = (
  circuit: Circuit,
  planted: readonly Fault[],
  { arrangement, complaint }: Complained,
): Attempt => new Attempt(circuit, planted, arrangement, { ...defaultFrame(), complaint }).operate()

/** Whether the board shows again what the good one does, in the state of the complaint. */
const isWell = (attempt: Attempt, { arrangement, complaint }: Complained): boolean => {
  attempt.operate(arrangement)
  const seen = attempt.steps.at(-1)
  return seen?.type === 'operate' && complaint.every(({ part, notice }) => seen.seen[part] !== notice)
}

/** Pieces in the order of the drawing, and the first way to put each right by a new part. */
const renewals = (circuit: Circuit) =>
  piecesOf(circuit).flatMap((piece) => {
    const ways = repairsFor(circuit, piece)
    return ways.some(({ key }) => key === 'replace') ? [{ piece: piece.id, by: 'replace' as const }] : []
  })

/** Takes the battery and puts in one new part after the other, looking after each, until the complaint is gone. */
export function swapAndLook(circuit: Circuit, planted: readonly Fault[], complained: Complained): Attempt {
  const attempt = begin(circuit, planted, complained)
  const [red, black] = postsOf(circuit)
  attempt.measure({ type: 'leads', red, black }, 12.5, { arrangement: complained.arrangement })
  for (const { piece, by } of renewals(circuit)) {
    attempt.act({ type: 'repair', piece, by })
    if (!isWell(attempt, complained)) continue
    attempt.conclude(piece, planted[0]!.kind)
    attempt.measure({ type: 'leads', red, black }, 12.5, { arrangement: complained.arrangement })
    break
  }
  return attempt
}

/** Puts in all parts new at once, and looks once. */
export function swapAll(circuit: Circuit, planted: readonly Fault[], complained: Complained): Attempt {
  const attempt = begin(circuit, planted, complained)
  const [red, black] = postsOf(circuit)
  attempt.measure({ type: 'leads', red, black }, 12.5, { arrangement: complained.arrangement })
  for (const { piece, by } of renewals(circuit)) attempt.act({ type: 'repair', piece, by })
  attempt.conclude(piecesOf(circuit)[0]!.id)
  isWell(attempt, complained)
  return attempt
}

/** Takes every point against the battery’s negative post, strikes nothing, and names what is planted. */
export function measureAll(
  circuit: Circuit,
  planted: readonly Fault[],
  complained: Complained,
  piece: string,
): Attempt {
  const attempt = begin(circuit, planted, complained)
  const [, minus] = postsOf(circuit)
  const { arrangement } = complained
  const sound = solveBoard(circuit, [], stateOf(arrangement), { blown: aftermath(circuit, []) })
  if (!sound.ok) throw new Error('the good circuit has no answer')
  const points = wireUp(circuit).points.filter((p) => !p.inside && p.node !== 0)
  const ground = wireUp(circuit).find(minus)!.node
  for (const { name, node } of points) {
    const { value = 0 } = readVolts(sound, node, ground, workshopMeter)
    attempt.measure({ type: 'leads', red: name, black: minus }, value, { arrangement })
  }
  attempt.conclude(piece, planted[0]!.kind)
  const found = findPieces(circuit, piece).flatMap((one) => repairsFor(circuit, one))
  for (const { key } of found) {
    attempt.act({ type: 'repair', piece, by: key })
    if (isWell(attempt, complained)) break
  }
  const last = points[points.length - 1]!
  const { value = 0 } = readVolts(sound, last.node, ground, workshopMeter)
  attempt.measure({ type: 'leads', red: last.name, black: minus }, value, { arrangement })
  return attempt
}

/** The battery’s posts by name, positive first. */
export function postsOf(circuit: Circuit): [string, string] {
  const wiring = wireUp(circuit)
  const source = circuit.parts.find((p) => partOfKind(p.kind).role === 'source')!
  const name = (key: string) => wiring.points.find((p) => p.node === wiring.nodeOf(source.id, key))!.name
  return [name('pos'), name('neg')]
}
