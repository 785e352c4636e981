import { readWords } from '../../../core/document'
import { useTimeoutFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import type { z } from 'zod'
import {
  dayListSchema,
  judgingStateSchema,
  ledgerSchema,
  ledgerStudentsSchema,
  marksSchema,
  type DayRow,
  type LedgerStudents,
  type MarkRow,
} from '../../../contract'
import { recordsToCsv } from '../../../core/formats'
import { skillKeys, skills, type Skill } from '../../../core/lab'
import { ask } from '../../api/client'
import { useAct } from '../../api/useAct'
import { usePages } from '../../api/usePages'
import { useServer } from '../../api/useServer'
import { download } from '../../parts/download'
import { dayWords } from '../../parts/when'
import { useScope } from '../../stores/scope'
import { t, tell } from '../../words'

export type LedgerStudent = LedgerStudents['rows'][number]
export const levelOf = (student: LedgerStudent, skill: Skill) => student.skills[skill]!
export const percent = (x: number) => Math.round(100 * x)
/** Faults as they were planted, several with a semicolon between them. */
export const faultWords = (planted: string): string => readWords(planted).map(tell).join('; ')
export const skillWord = (skill: string) => t(skills[skill as Skill])

/** The records of everybody, of classes, of a lab day; and the files they are handed on as. */
export function useLedger() {
  const scope = useScope()
  const { wrong: refused, act } = useAct()
  const day = ref<string | null>(null)
  /** Lab days by their name; the newest where nothing is typed. */
  const find = ref('')
  const found = useServer(dayListSchema, () => `/days?find=${encodeURIComponent(find.value)}`)
  /** The chosen one stays among them. */
  const chosen = shallowRef<DayRow>()
  watch(day, (id) => (chosen.value = days.value.find((one) => one.id === id)))
  const days = computed(() => {
    const rows = found.data.value?.rows ?? []
    const { value: kept } = chosen
    return kept && !rows.some(({ id }) => id === kept.id) ? [kept, ...rows] : rows
  })
  /** What is asked for, and `more` of it. */
  const queryOf = (more: Readonly<Record<string, string>> = {}) => {
    const query = new URLSearchParams(scope.query)
    if (day.value) query.set('day', day.value)
    for (const [key, value] of Object.entries(more)) query.set(key, value)
    const text = query.toString()
    return text && `?${text}`
  }
  const query = computed(() => queryOf())
  /** What it is about, for the head of a report. */
  const about = computed(() =>
    [
      scope.about,
      days.value.filter(({ id }) => id === day.value).map((d) => `${d.name}, ${dayWords(d.day)}`)[0],
    ]
      .filter(Boolean)
      .join(', '),
  )
  const page = usePages(ledgerStudentsSchema, () => `/ledger/students${query.value}`)
  const read = useServer(ledgerSchema, () => `/ledger${query.value}`)
  const state = useServer(judgingStateSchema, () => '/ledger/judging')
  const again = () => Promise.all([page.again(), read.again()])
  /** While some finished work has no result yet it is looked for now and then, and the records are read anew with it. */
  const left = computed(() => {
    const { value } = state.data
    return value ? value.all - value.done : 0
  })
  const later = useTimeoutFn(() => void state.again(), 2000, { immediate: false })
  watch(state.loading, (is) => {
    if (!is && left.value > 0) later.start()
  })
  watch(left, (now, before) => {
    if (before > 0 && now === 0) void again()
  })
  const wrong = computed(() => refused.value || page.wrong.value || read.wrong.value || found.wrong.value)
  /** All students of the scope, whatever is shown of them. */
  async function allStudents(): Promise<LedgerStudent[]> {
    const all: LedgerStudent[] = []
    for (let next: string | null = ''; next !== null;) {
      const more: LedgerStudents = await ask(
        ledgerStudentsSchema,
        `/ledger/students${next ? queryOf({ after: next }) : query.value}`,
      )
      all.push(...more.rows)
      next = more.after
    }
    return all
  }
  async function allMarks(): Promise<MarkRow[]> {
    const all: MarkRow[] = []
    for (let next: string | null = ''; next !== null;) {
      const page: z.output<typeof marksSchema> = await ask(
        marksSchema,
        `/ledger/marks${next ? queryOf({ after: next }) : query.value}`,
      )
      all.push(...page.rows)
      next = page.after
    }
    return all
  }
  const csv = (name: string, rows: readonly object[]) => download(name, 'text/csv', recordsToCsv(rows))
  const saveSkills = () =>
    act(async () => {
      const rows = (await allStudents()).map((s) => ({
        student: s.name,
        attempts: s.attempts,
        mean: s.mean === null ? '' : Math.round(s.mean),
        ...Object.fromEntries(
          skillKeys.flatMap((k) => {
            const { thin, level, spread } = levelOf(s, k)
            return [
              [t(skills[k]), thin ? '' : percent(level)],
              [t('ui.ledger.giveOrTake', { k: t(skills[k]) }), thin ? '' : percent(spread)],
            ]
          }),
        ),
      }))
      csv('class-skills.csv', rows)
    })
  const saveFaults = () => csv('faults.csv', read.data.value?.faults ?? [])
  const saveReport = () =>
    act(async () => {
      const { report } = await import('./report')
      await report(about.value, await allStudents(), read.data.value!, await allMarks())
    })
  return {
    scope,
    ledger: read.data,
    students: page.rows,
    count: page.count,
    judging: state.data,
    wrong,
    days,
    day,
    query,
    about,
    again,
    more: page.more,
    find,
    ready: () => Promise.all([page.ready(), read.ready()]),
    saveSkills,
    saveFaults,
    saveReport,
  }
}
