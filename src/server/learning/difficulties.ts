import type { Fit, Prior, Response } from '../../core/learning'
import type { Queries } from '../database'
import type { Workers } from '../workers/pool'

/** Attempts from which they alone tell a fault's difficulty, and how it parts students. */
export const fewestAttempts = 5
/** The newest so many attempts count: what was handed out years ago is another lesson. */
const mostAttempts = 50_000

/** What the attempts of the school say of a fault. */
export interface Observed {
  /** Logits; 0 is what half of the students find. */
  readonly difficulty: number
  /** Standard deviation, logits. */
  readonly spread: number
  /** Null after too few attempts. */
  readonly discrimination: number | null
  /** What was worked out before anybody tried it, logits; null where nothing was. */
  readonly computed: number | null
}
type ByFault = ReadonlyMap<string, Observed>
export const faultKey = (circuit: string, fault: string): string => JSON.stringify([circuit, fault])

interface Kept {
  /** When the newest result was written that it was worked out from. */
  readonly of: string
  readonly faults: ByFault
}

/**
 * How hard each fault has been, of the whole school, by a two-parameter logistic model. It is fitted in the background when
 * attempts have come since; until then what was known before is told.
 */
export class Difficulties {
  private kept: Kept | undefined
  private under: Promise<void> | undefined

  constructor(
    private readonly db: Queries,
    private readonly workers: Workers,
  ) {}

  /** What is known now; whatever has come since is looked at behind the answer. */
  async now(): Promise<ByFault> {
    const [newest] = await this.db.query<{ of: string | null }>(
      `select (select at from current_results order by at desc limit 1)::text
         || coalesce((select at from difficulties order by at desc limit 1)::text, '') as of`,
    )
    const of = newest?.of
    if (!of) return new Map()
    if (this.kept?.of !== of) {
      const fitting = (this.under ??= this.fit(of).finally(() => (this.under = undefined)))
      // Nobody waits for it: whoever looks again has it.
      fitting.catch(() => undefined)
    }
    return this.kept?.faults ?? new Map()
  }

  /** Resolves once nothing is being fitted. */
  async idle(): Promise<void> {
    await this.under?.catch(() => undefined)
  }

  /** What was worked out before anybody tried them. */
  private async computed(): Promise<ReadonlyMap<string, Prior>> {
    const rows = await this.db.query<Prior & { circuit: string; fault: string }>(
      `select circuit, fault, avg(difficulty)::float8 as difficulty, avg(spread)::float8 as spread
       from difficulties group by circuit, fault`,
    )
    return new Map(rows.map(({ circuit, fault, ...prior }) => [faultKey(circuit, fault), prior]))
  }

  private async fit(of: string): Promise<void> {
    const rows = await this.db.query<{ student: string; key: string; right: boolean }>(
      `select student_id as student, jsonb_build_array(circuit, fault)::text as key, found as right
       from current_results order by concluded_at desc limit ${mostAttempts}`,
    )
    const students = new Map<string, number>()
    const faults = new Map<string, number>()
    const placeIn = (map: Map<string, number>, key: string) => {
      if (!map.has(key)) map.set(key, map.size)
      return map.get(key)!
    }
    const responses: Response[] = rows.map(({ student, key, right }) => ({
      student: placeIn(students, student),
      fault: placeIn(faults, JSON.stringify(JSON.parse(key))),
      right,
    }))
    const computed = await this.computed()
    const fitted: Fit = await this.workers.fit({
      responses,
      students: students.size,
      faults: faults.size,
      // Where nothing was worked out beforehand, hard ones and easy ones are as likely.
      priors: [...faults.keys()].map((key) => computed.get(key) ?? null),
    })
    this.kept = {
      of,
      faults: new Map(
        [...faults].flatMap(([key, place]) => {
          const one = fitted.faults[place]!
          const before = computed.get(key)?.difficulty ?? null
          const few = one.attempts < fewestAttempts
          if (few && before === null) return []
          return [
            [key, { ...one, computed: before, discrimination: few ? null : one.discrimination }] as const,
          ]
        }),
      ),
    }
  }
}
