import type { Circuit } from '../circuit'
import type { Fault } from '../faults'
import type { Message, Words } from '../document'
import type { Unit } from '../quantity'
import type { WorkedCircuit } from './worked-circuit'

/** What a step is expected to show: a number with its unit, or a word; undefined where nothing holds it. */
export interface Shown {
  readonly what: Message
  readonly value?: number | undefined
  readonly unit: Unit
  readonly word?: Message
  /** The piece that it is about, for the drawing. */
  readonly part?: string
}

/** Where the walk goes on: to another step, or to its end. */
export type Next =
  | { readonly step: string }
  | {
      readonly end: 'sound' | 'found'
      /** Ids of the parts that are left, where the end names any. */
      readonly parts?: (worked: WorkedCircuit, got: readonly Shown[]) => readonly string[]
      /** Key of the procedure that goes on from here. */
      readonly then?: string
    }

export interface Outcome {
  /** What is read. */
  readonly when: Words
  /** What it means. */
  readonly means: Words
  /** Whether the readings are these; the last outcome of a step needs none. */
  readonly is?: (got: readonly Shown[], worked: WorkedCircuit) => boolean
  readonly next: Next
}

export interface ProcedureStep {
  readonly key: string
  readonly do: Words
  /** What the engine expects at the place in question. */
  readonly reads?: (worked: WorkedCircuit) => readonly Shown[]
  readonly outcomes: readonly Outcome[]
}

/** A procedure as the trade orders it: each step with what to expect, what each outcome means and where to go next. */
export interface Procedure {
  readonly key: string
  readonly title: Words
  readonly words: readonly string[]
  readonly about: Words
  /** When it is the right one. */
  readonly when: Words
  /** Keys of cautions that stand at its head. */
  readonly cautions: readonly string[]
  readonly source: Words
  /** Ids of the paths of a circuit along which it can be walked; none where the circuit does not fit. */
  readonly paths: (circuit: Circuit) => readonly string[]
  readonly steps: readonly ProcedureStep[]
  /** A demo circuit with a fault that it finds: walked by a test, healthy and faulted. */
  readonly example: {
    readonly circuit: string
    readonly state: string
    readonly path: string
    readonly faults: readonly Fault[]
  }
}

/** One step of a walk: what was shown, and which outcome that is. */
export interface Walked {
  readonly step: ProcedureStep
  readonly got: readonly Shown[]
  readonly outcome: number
}

/** A step whose outcomes lead round in a circle would never end. */
const mostSteps = 40

/**
 * Which outcome a step has on this board.
 * @returns index into the step's outcomes; the last where none fits
 */
export function outcomeOf(step: ProcedureStep, got: readonly Shown[], worked: WorkedCircuit): number {
  const found = step.outcomes.findIndex(({ is }) => !is || is(got, worked))
  return found < 0 ? step.outcomes.length - 1 : found
}

/** Walks a procedure from its first step to its end, as its own outcomes lead. */
export function walkThrough(procedure: Procedure, worked: WorkedCircuit): readonly Walked[] {
  const walked: Walked[] = []
  let step: ProcedureStep | undefined = procedure.steps[0]
  while (step && walked.length < mostSteps) {
    const got = step.reads?.(worked) ?? []
    const outcome = outcomeOf(step, got, worked)
    walked.push({ step, got, outcome })
    const { next }: Outcome = step.outcomes[outcome]!
    step = 'step' in next ? procedure.steps.find(({ key }) => 'step' in next && key === next.step) : undefined
  }
  return walked
}

/** What a walk ended with: the parts that are left, or nothing where all is sound. */
export function endOf(
  walked: readonly Walked[],
  worked: WorkedCircuit,
): { end: 'sound' | 'found'; parts: readonly string[] } {
  const last = walked.at(-1)
  const next = last?.step.outcomes[last.outcome]?.next
  if (!last || !next || 'step' in next) return { end: 'sound', parts: [] }
  return { end: next.end, parts: next.parts?.(worked, last.got) ?? [] }
}
