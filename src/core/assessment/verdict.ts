export type Grade = 'good' | 'partly' | 'poor' | 'neutral'

/** One judgement with its reason, tied to the step that earned it. */
export interface Judgement {
  readonly aspect: Aspect
  readonly step: number
  readonly grade: Grade
  /** Short word for the table: “follows”, “too early”. */
  readonly verdict: string
  /** One plain sentence. */
  readonly reason: string
  /** Share of the full mark, 0 to 1; undefined where nothing is marked. */
  readonly share: number | undefined
}

export type Aspect = 'prediction' | 'technique' | 'inference' | 'efficiency' | 'conclusion'
