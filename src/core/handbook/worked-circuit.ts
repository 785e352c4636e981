import { findPart, wireUp, type Wiring, walkPaths, type Walk } from '../model'
import { solveBoard, segmentAmps, type SolvedBoard } from '../board'
import { dutyOf, firstSource, systemOf, type Circuit, type CircuitState } from '../circuit'
import { faultOfKind, type Fault } from '../faults'
import { ohmsAcross, readOhms, solveWith, withTestLamp, workshopMeter } from '../instruments'
import { brightness, partOfKind } from '../parts'
import {
  answerKey,
  limitSetFor,
  type AnswerKey,
  type Balance,
  type DropRow,
  type StateKey,
} from '../readings'

export type Side = 'feed' | 'return'

/** More than this beside what a sound piece loses is a step that stands out, V (common practice, no source). */
const standsOut = 0.05

/** A supplemental wire with its clips, Ω (common practice, no source). */
const bridgeOhms = 0.01

/** A circuit in front of somebody: in a state, with leads that can go anywhere. Everything is solved when it is asked for. */
export class WorkedCircuit {
  readonly wiring: Wiring
  readonly walk: Walk
  readonly walks: readonly Walk[]
  private readonly boards = new Map<string, SolvedBoard | undefined>()
  private whole: AnswerKey | undefined
  private twin: WorkedCircuit | undefined

  constructor(
    readonly circuit: Circuit,
    readonly faults: readonly Fault[],
    readonly state: CircuitState,
    readonly path: string,
  ) {
    this.wiring = wireUp(circuit)
    this.walks = walkPaths(circuit)
    this.walk = this.walks.find((walk) => walk.path.id === path) ?? this.walks[0]!
  }

  /** The same without a fault: what a sound one shows. */
  get sound(): WorkedCircuit {
    this.twin ??= this.faults.length ? new WorkedCircuit(this.circuit, [], this.state, this.path) : this
    return this.twin
  }

  /** Id of the part that the path works. */
  get load(): string {
    return this.walk.load ?? ''
  }

  private get key(): AnswerKey {
    this.whole ??= answerKey(this.circuit, this.faults)
    return this.whole
  }

  /** Readings of a state, its own unless said. */
  readings(id = this.state.id): StateKey | undefined {
    const found = this.key.states.find(({ state }) => state.id === id)
    return found?.ok ? found : undefined
  }

  get balance(): Balance | undefined {
    return this.readings()?.balances[this.nth]
  }
  private get nth(): number {
    return Math.max(
      0,
      this.circuit.paths.findIndex(({ id }) => id === this.walk.path.id),
    )
  }

  /** Pieces of a side, from the battery's post that they begin at. */
  pieces(side: Side): readonly DropRow[] {
    const rows = this.readings()?.walks[this.nth] ?? []
    return rows.filter((row) => row.side === side)
  }

  /** All pieces along a path, from its supply to its end. */
  rowsOf(path: string): readonly DropRow[] {
    return this.readings()?.walks[this.circuit.paths.findIndex(({ id }) => id === path)] ?? []
  }

  /** Volts that a side may lose by the limits that fit the circuit. */
  most(side: Side): number {
    const allowed = this.balance && limitSetFor(this.circuit).allows?.(this.balance)
    return allowed ? allowed[side === 'feed' ? 0 : 1] : dutyOf(this.circuit) === 'heavy' ? 0.5 : 0.3
  }

  lost(side: Side): number | undefined {
    const { balance } = this
    return side === 'feed' ? balance?.feedLoss.value : balance?.returnLoss.value
  }

  /** The piece of a side that loses most beyond a sound one, if any stands out. */
  worst(side: Side): DropRow | undefined {
    const sound = this.sound.pieces(side)
    const beyond = (row: DropRow, i: number) => Math.abs(row.value ?? 0) - Math.abs(sound[i]?.value ?? 0)
    const [first] = this.pieces(side)
      .map((row, i) => ({ row, more: beyond(row, i) }))
      .sort((a, b) => b.more - a.more)
    return first && first.more > standsOut ? first.row : undefined
  }

  /** Solved in a state that is this one with something changed. */
  board(change: Partial<CircuitState> = {}): SolvedBoard | undefined {
    const name = JSON.stringify(change)
    if (!this.boards.has(name)) {
      const solved = solveBoard(this.circuit, this.faults, { ...this.state, ...change })
      this.boards.set(name, solved.ok ? solved : undefined)
    }
    return this.boards.get(name)
  }

  node(part: string, terminal: string): number {
    return this.wiring.nodeOf(part, terminal)
  }

  /** Both nodes of the load, feed side first. */
  get loadNodes(): readonly [number, number] {
    const at = this.walk.strides.filter(({ side }) => side === 'load')
    return [at[0]?.from.node ?? 0, at.at(-1)?.to.node ?? 0]
  }

  get posts(): readonly [plus: number, minus: number] {
    const battery = firstSource(this.circuit.parts)!
    return [this.node(battery.id, 'pos'), this.node(battery.id, 'neg')]
  }

  volts(red: number, black: number, change?: Partial<CircuitState>): number | undefined {
    const solved = this.board(change)
    return solved && solved.volts(red, black)
  }

  amps(part: string, segment: string, change?: Partial<CircuitState>): number {
    const solved = this.board(change)
    return solved ? segmentAmps(solved.board, solved.point, part, segment) : 0
  }

  /** What an ohmmeter shows between two nodes; undefined for OL. */
  ohms(red: number, black: number, change?: Partial<CircuitState>): number | undefined {
    const solved = this.board(change)
    return solved && readOhms(solved, red, black, workshopMeter).value
  }

  /** What a side loses while a known load of so many watts hangs in the place of the circuit's own. */
  lostUnderKnown(side: Side, watts: number): number | undefined {
    const [feed, back] = this.loadNodes
    const [plus, minus] = this.posts
    const solved = this.board(this.unplugged)
    const loaded = solved && solveWith(solved, ohmsAcross(feed, back, this.nominal ** 2 / watts))
    if (!loaded?.ok) return undefined
    return side === 'feed' ? loaded.volts(plus, feed) : loaded.volts(back, minus)
  }

  /** Volts between two nodes while a heavy wire joins two others. */
  voltsBridged(red: number, black: number, from: number, to: number): number | undefined {
    const solved = this.board()
    const joined = solved && solveWith(solved, ohmsAcross(from, to, bridgeOhms))
    return joined?.ok ? joined.volts(red, black) : undefined
  }

  get nominal(): number {
    return systemOf(this.circuit).nominal
  }

  /** The state with the path's load unplugged, where it can be. */
  get unplugged(): Partial<CircuitState> {
    const part = findPart(this.circuit, this.load)
    return part && partOfKind(part.kind).detach
      ? { detached: [...new Set([...this.state.detached, this.load])] }
      : {}
  }

  /** A test lamp between two nodes: how it glows, and the board while it hangs there. */
  lamp(red: number, black: number, amps: number, change?: Partial<CircuitState>) {
    const solved = this.board(change)
    const lit = solved && withTestLamp(solved, red, black, amps, this.nominal)
    if (!lit?.ok || red === black) return { glow: 'dark', lit: undefined }
    const volts = lit.volts(red, black) ?? 0
    return { glow: brightness(Math.abs(volts), this.nominal).key, lit }
  }

  /** What the load does, by its key. */
  does(part = this.load, id?: string): string | undefined {
    return this.readings(id)?.notices.find((n) => n.part === part)?.key
  }

  isolated(part: string) {
    return this.key.isolated.filter((row) => row.part === part)
  }

  /** Whether a connection of this part holds its pin. */
  slack(part: string): boolean {
    return this.faults.some((f) => f.part === part && faultOfKind(f.kind).reseats === true)
  }
}
