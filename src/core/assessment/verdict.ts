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

/** What a mark is made of, in the order in which a review shows it. */
export const aspects = ['prediction', 'technique', 'inference', 'efficiency', 'conclusion'] as const
export type Aspect = (typeof aspects)[number]
