import { aftermath, solveBoard, type SolvedBoard } from '../../board'
import { settable, type Circuit, type CircuitState } from '../../circuit'
import { Predictor } from '../../diagnosis'
import type { Fault } from '../../faults'
import { readVolts, workshopMeter, type Display, type MeterType } from '../../instruments'
import { walkPaths, type Point, type Walk } from '../../model'
import { segmentAmps } from '../../board'

/** A from which something flows. */
const flowing = 0.02

/** One circuit as items are made of it: what a good board shows in each state is solved once. */
export class DrillBench {
  readonly predictor: Predictor
  readonly meter: MeterType = workshopMeter
  readonly states: readonly CircuitState[]
  readonly walks: readonly Walk[]
  private readonly solved = new Map<string, SolvedBoard | undefined>()

  constructor(readonly circuit: Circuit) {
    this.predictor = new Predictor(circuit)
    this.states = circuit.states.filter(settable)
    this.walks = walkPaths(circuit).filter(({ load, strides }) => load !== undefined && strides.length > 2)
  }

  /** The board in a state, good unless faults are given; undefined where it has no answer. */
  board(state: CircuitState, faults: readonly Fault[] = []): SolvedBoard | undefined {
    if (faults.length) {
      const board = solveBoard(this.circuit, faults, state, { blown: aftermath(this.circuit, faults) })
      return board.ok ? board : undefined
    }
    const key = JSON.stringify(state)
    if (!this.solved.has(key)) {
      const board = solveBoard(this.circuit, [], state, { blown: this.gone })
      this.solved.set(key, board.ok ? board : undefined)
    }
    return this.solved.get(key)
  }
  /** The same, taking for granted that a fault in series melts nothing in any other state: for a first look. */
  glance(state: CircuitState, fault: Fault): SolvedBoard | undefined {
    const board = solveBoard(this.circuit, [fault], state, { blown: this.gone })
    return board.ok ? board : undefined
  }
  private get gone(): ReadonlySet<string> {
    return (this.melted ??= aftermath(this.circuit, []))
  }
  private melted: ReadonlySet<string> | undefined

  /** What a voltmeter shows between two points. */
  volts(board: SolvedBoard, red: Point, black: Point): Display {
    return readVolts(board, red.node, black.node, this.meter)
  }

  /** Amps through the load of a walk. */
  ampsOf(board: SolvedBoard, walk: Walk): number {
    const stride = walk.strides.find(({ side, part }) => side === 'load' && part === walk.load)
    return stride ? Math.abs(segmentAmps(board.board, board.point, stride.part, stride.segment.key)) : 0
  }
  flows(board: SolvedBoard, walk: Walk): boolean {
    return this.ampsOf(board, walk) > flowing
  }

  /** States in which a walk's load runs on a good board. */
  running(walk: Walk): readonly CircuitState[] {
    return this.states.filter((state) => {
      const board = this.board(state)
      return board !== undefined && this.flows(board, walk)
    })
  }
}
