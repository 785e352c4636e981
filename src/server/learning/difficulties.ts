import type { Fit, Prior } from '../../core/learning'
import type { Queries } from '../database'
import type { Workers } from '../workers/pool'

/** Attempts from which they alone tell a fault's difficulty, and how it parts students. */
export const fewestAttempts = 5
/** The newest so many attempts count: a thousand students at three hundred faults. */
const mostAttempts = 300_000
/** A fit that takes longer than so many ms is not begun again at once for each attempt that comes … */
const quick = 2000
/** … but after so many times as long as it has taken. */
const pause = 60

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

interface Attempt {
  readonly id: string
  readonly at: string
  readonly student: string
  readonly circuit: string
  readonly fault: string
  readonly found: boolean
}

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
  /** When the next fit may begin, in ms of the process's own clock. */
  private from = 0

  constructor(
    private readonly db: Queries,
    private readonly workers: Pick<Workers, 'fit'>,
    /** Attempts that are read at once: others wait for the embedded database meanwhile. */
    private readonly page = 2000,
  ) {}

  /** What is known now; whatever has come since is looked at behind the answer. */
  async now(): Promise<ByFault> {
    const [newest] = await this.db.query<{ of: string | null }>(
      `select (select at from current_results order by at desc limit 1)::text
         || coalesce((select at from difficulties order by at desc limit 1)::text, '') as of`,
    )
    const of = newest?.of
    if (!of) return new Map()
    if (this.kept?.of !== of && performance.now() >= this.from) {
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

  /** The newest attempts, page after page. */
  private async *attempts(): AsyncGenerator<Attempt> {
    const { page } = this
    let last: Attempt | undefined
    for (let read = 0; read < mostAttempts; read += page) {
      const rows: Attempt[] = await this.db.query<Attempt>(
        `select work_order_id as id, concluded_at::text as at, student_id as student, circuit, fault, found
         from current_results
         where concluded_at <= $1 and not (concluded_at = $1 and work_order_id <= $2)
         order by concluded_at desc, work_order_id limit ${page}`,
        [last?.at ?? 'infinity', last?.id ?? '00000000-0000-0000-0000-000000000000'],
      )
      yield* rows
      last = rows.at(-1)
      if (rows.length < page) return
    }
  }

  private async fit(of: string): Promise<void> {
    const began = performance.now()
    const students = new Map<string, number>()
    const faults = new Map<string, number>()
    const placeIn = (map: Map<string, number>, key: string) => {
      const known = map.get(key)
      if (known !== undefined) return known
      map.set(key, map.size)
      return map.size - 1
    }
    const responses = {
      student: new Int32Array(mostAttempts),
      fault: new Int32Array(mostAttempts),
      right: new Uint8Array(mostAttempts),
    }
    let count = 0
    for await (const { student, circuit, fault, found } of this.attempts()) {
      responses.student[count] = placeIn(students, student)
      responses.fault[count] = placeIn(faults, faultKey(circuit, fault))
      responses.right[count++] = Number(found)
    }
    const computed = await this.computed()
    const fitted: Fit = await this.workers.fit({
      responses,
      count,
      students: students.size,
      faults: faults.size,
      // Where nothing was worked out beforehand, hard ones and easy ones are as likely.
      priors: [...faults.keys()].map((key) => computed.get(key) ?? null),
    })
    const took = performance.now() - began
    if (took > quick) this.from = performance.now() + pause * took
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
