import {
  arrangementOf,
  complaintIn,
  defaultFrame,
  repairsFor,
  stateOf,
  type Frame,
  type RepairKey,
  type Arrangement,
  type Connection,
} from '../src/core/attempt'
import { aftermath, solveBoard } from '../src/core/board'
import { findPieces, piecesOf, wireUp, type Wiring } from '../src/core/model'
import { settable, type Circuit } from '../src/core/circuit'
import { faultOfKind, possibleFaults, type Fault } from '../src/core/faults'
import {
  instrumentOf,
  locate,
  numberOf,
  readWith,
  settingsOf,
  workshopMeter,
  type InstrumentKey,
} from '../src/core/instruments'
import { Attempt } from './attempt'

interface Look {
  readonly arrangement: Arrangement
  readonly instrument: InstrumentKey
  readonly held: Connection['held']
}

/** A kind on a place at two neighbouring sizes of the book; both the same where it has no size. */
interface Page {
  readonly piece: string
  readonly fault: Fault
  readonly ends: readonly Fault[]
}

/** Nothing that sends a current of its own where modules are about. */
const tools: readonly InstrumentKey[] = ['volts', 'clamp', 'fuseVolts', 'scan']
const lamps: readonly InstrumentKey[] = [...tools, 'testLamp']

/** What a board may differ from the book by: a tenth, or what a school's battery and contacts scatter by. */
const slack = (value: number): number => Math.max(0.06, 0.1 * Math.abs(value))

/** What every test shows on the board of every fault; printed once for all who look into it. */
class Book {
  readonly wiring: Wiring
  /** By piece, kind and two neighbouring sizes. */
  readonly pages: readonly Page[]
  private readonly looks = new Map<string, readonly Look[]>()
  private readonly usual: ReadonlySet<string>
  private readonly shown = new Map<Fault | undefined, Map<Look, number | undefined>>()
  private readonly boards = new Map<Fault | undefined, Map<string, ReturnType<typeof solveBoard>>>()
  private readonly complaints = new Map<Fault, Map<string, string>>()

  constructor(readonly circuit: Circuit) {
    this.wiring = wireUp(circuit)
    this.usual = aftermath(circuit, [])
    this.pages = possibleFaults(circuit).flatMap((fault) => {
      const grid = [...(faultOfKind(fault.kind).severity?.grid ?? [])]
      if (fault.severity !== undefined && !grid.includes(fault.severity)) grid.push(fault.severity)
      const sizes = grid.sort((p, q) => p - q).map((severity): Fault => ({ ...fault, severity }))
      const { id: piece } = findPieces(circuit, `${fault.part}.${fault.segment}`)[0]!
      if (sizes.length < 2) return [{ piece, fault, ends: [fault] }]
      return sizes.slice(1).map((size, i): Page => ({ piece, fault, ends: [sizes[i]!, size] }))
    })
  }

  /** What a customer would say of it. */
  complaint(fault: Fault, arrangement: Arrangement): string {
    const state = { id: 'x', name: 'x', ...arrangement }
    return kept(this.complaints, fault, JSON.stringify(arrangement), () =>
      JSON.stringify(complaintIn(this.circuit, [fault], state, undefined, this.usual)),
    )
  }

  /** Every test that can be done in a state. */
  looksIn(arrangement: Arrangement): readonly Look[] {
    const key = JSON.stringify(arrangement)
    const found = this.looks.get(key)
    if (found) return found
    const modules = this.circuit.parts.some(({ kind }) => kind === 'module')
    const made = (modules ? tools : lamps).flatMap((instrument) =>
      instrumentOf(instrument)
        .places(this.circuit, this.wiring)
        .map((held): Look => ({ arrangement, instrument, held })),
    )
    this.looks.set(key, made)
    return made
  }

  /** What a test shows on the board of one fault, or on the good one; undefined where it has no answer. */
  show(fault: Fault | undefined, look: Look): number | undefined {
    return kept(this.shown, fault, look, () => {
      const { arrangement, instrument, held } = look
      const kind = instrumentOf(instrument)
      const located = locate(this.circuit, this.wiring, held)
      const board = this.board(fault, arrangement)
      if (!located.ok || !board.ok) return undefined
      const setup = {
        state: stateOf(arrangement),
        instrument,
        settings: settingsOf(kind),
        place: located.place,
      }
      const read = readWith(board, setup, [], workshopMeter)
      const said = read.ok && !read.reading.signs.some(({ code }) => code === 'instruments.live')
      return said ? numberOf(kind, read.reading) : undefined
    })
  }

  private board(fault: Fault | undefined, arrangement: Arrangement) {
    return kept(this.boards, fault, JSON.stringify(arrangement), () => {
      const planted = fault ? [fault] : []
      const { circuit } = this
      const blown = aftermath(circuit, planted)
      return solveBoard(circuit, planted, stateOf(arrangement), { blown })
    })
  }
}

function kept<A, B, V>(all: Map<A, Map<B, V>>, a: A, b: B, make: () => V): V {
  let own = all.get(a)
  if (!own) all.set(a, (own = new Map()))
  const found = own.get(b)
  if (found !== undefined || own.has(b)) return found as V
  const made = make()
  own.set(b, made)
  return made
}

/** What anybody would do to a piece that failed so. */
const waysFor: Partial<Record<Fault['kind'], RepairKey>> = {
  missingPin: 'repin',
  swapped: 'repin',
  shortToGround: 'insulate',
  shortToSupply: 'insulate',
  discharged: 'charge',
}

const books = new Map<Circuit, Book>()

/**
 * Has what many schools hand out: a book that says, for each fault, what every test of the bench would show. Looks up what
 * fits, takes the test whose readings differ most between what is left, and crosses out. It knows nothing of weights, bands
 * or verdicts: only readings of boards, at some sizes of each fault.
 */
export class Eliminator {
  readonly attempt: Attempt
  private readonly book: Book
  private left: readonly Page[]
  private readonly all: readonly string[]

  constructor(
    readonly circuit: Circuit,
    planted: readonly Fault[],
    private readonly arrangement: Arrangement,
    complaint: Frame['complaint'],
  ) {
    this.book = books.get(circuit) ?? new Book(circuit)
    books.set(circuit, this.book)
    this.attempt = new Attempt(circuit, planted, arrangement, { ...defaultFrame(), complaint })
    this.all = piecesOf(circuit).map(({ id }) => id)
    const said = JSON.stringify(complaint)
    this.left = this.book.pages.filter(({ ends }) =>
      ends.some((fault) => this.book.complaint(fault, arrangement) === said),
    )
  }

  /** The whole way; the piece that it named first, undefined where the book has no more to say than many pieces. */
  work(): string | undefined {
    const { attempt, circuit } = this
    attempt.operate()
    const asked: Look[] = []
    for (let n = 0; n < 9 && (n === 0 || this.pieces().length > 1); n++) {
      const next = this.best(asked) ?? (n === 0 ? this.book.looksIn(this.arrangement)[0] : undefined)
      if (!next) break
      asked.push(next)
      const { held, instrument, arrangement } = next
      const good = this.book.show(undefined, next)
      const expected = good === undefined ? 'OL' : this.predicted(instrument, good)
      const { reading } = attempt.measure(held, expected, { instrument, arrangement })
      const value = numberOf(instrumentOf(instrument), reading)
      if (!reading.signs.some(({ code }) => code === 'instruments.live'))
        this.left = this.left.filter((page) => this.admits(page, next, value))
      const left = new Set(this.pieces())
      attempt.infer(this.all.filter((id) => !left.has(id)))
    }
    const [piece] = this.pieces()
    if (!piece) return undefined
    const { kind } = this.left.find((page) => page.piece === piece)!.fault
    attempt.conclude(piece, kind)
    const last = asked.at(-1)
    const ways = findPieces(circuit, piece).flatMap((p) => repairsFor(circuit, p))
    const first = waysFor[kind] ?? 'replace'
    for (const { key } of ways
      .sort((p, q) => Number(q.key === first) - Number(p.key === first))
      .slice(0, 3)) {
      attempt.act({ type: 'repair', piece, by: key })
      if (!last) break
      const good = this.book.show(undefined, last)
      const { reading } = attempt.measure(
        last.held,
        good === undefined ? 'OL' : this.predicted(last.instrument, good),
        { instrument: last.instrument, arrangement: last.arrangement },
      )
      const value = numberOf(instrumentOf(last.instrument), reading)
      if (good !== undefined && Math.abs(value - good) <= slack(good)) break
    }
    attempt.operate(this.arrangement)
    return piece
  }

  /** What is asked for in words is said in words. */
  private predicted(instrument: InstrumentKey, value: number): number | 'OL' | { readonly word: string } {
    const { asks } = instrumentOf(instrument)
    if (asks.type === 'word') {
      const words = Object.keys(asks.words)
      return { word: words[Math.round(value)] ?? words[0]! }
    }
    return Number.isFinite(value) ? value : 'OL'
  }

  private pieces(): string[] {
    return [...new Set(this.left.map(({ piece }) => piece))]
  }

  private admits(page: Page, look: Look, value: number): boolean {
    const ends = page.ends.map((fault) => this.book.show(fault, look))
    if (ends.some((end) => end === undefined)) return true
    const [low, high] = [Math.min(...(ends as number[])), Math.max(...(ends as number[]))]
    if (!Number.isFinite(value)) return !Number.isFinite(high)
    return value >= low - slack(low) && value <= high + slack(high)
  }

  /** The test whose readings part most of what is left; what stands in the states of the complaint comes first. */
  private best(asked: readonly Look[]): Look | undefined {
    const { circuit } = this
    const states = [this.arrangement, ...circuit.states.filter(settable).map(arrangementOf)]
    for (const arrangement of states) {
      const told = this.book
        .looksIn(arrangement)
        .filter((look) => !asked.includes(look))
        .map((look) => ({ look, left: this.expectedLeft(look) }))
      const [first] = told.sort((p, q) => p.left - q.left)
      if (first && first.left < this.pieces().length - 0.4) return first.look
    }
    return undefined
  }

  /** How many pieces would be left after it, on the average of what is left. */
  private expectedLeft(look: Look): number {
    const pages = this.left.filter((_, i) => i % Math.ceil(this.left.length / 24) === 0)
    let sum = 0
    for (const page of pages) {
      const value = this.book.show(page.ends[0], look)
      if (value === undefined) return Infinity
      sum += new Set(this.left.filter((other) => this.admits(other, look, value)).map((p) => p.piece)).size
    }
    return sum / pages.length
  }
}
