import { readWords } from '../../../core/document'
import { useTimeoutFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { z } from 'zod'
import {
  dayListSchema,
  judgingStateSchema,
  ledgerSchema,
  ledgerStudentsSchema,
  marksSchema,
  type DayRow,
  type JudgingState,
  type Ledger,
  type LedgerStudents,
  type MarkRow,
} from '../../../contract'
import { recordsToCsv } from '../../../core/formats'
import { skillKeys, skills, type Skill } from '../../../core/lab'
import { ask } from '../../api/client'
import { useAct } from '../../api/useAct'
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
  const ledger = ref<Ledger | null>(null)
  const students = ref<LedgerStudent[]>([])
  const count = ref(0)
  const after = ref<string | null>(null)
  const judging = ref<JudgingState | null>(null)
  const { wrong, act, failed } = useAct()
  const days = ref<DayRow[]>([])
  const day = ref<string | null>(null)
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
  let asked = 0
  /** Of two that are on their way only the later counts, whichever arrives last. */
  async function load(): Promise<void> {
    const mine = ++asked
    try {
      const [page, read] = await Promise.all([
        ask(ledgerStudentsSchema, `/ledger/students${query.value}`),
        ask(ledgerSchema, `/ledger${query.value}`),
      ])
      if (mine !== asked) return
      ledger.value = read
      students.value = page.rows
      count.value = page.count
      after.value = page.after
      wrong.value = ''
    } catch (error) {
      if (mine === asked) failed(error)
    }
    void lookAtJudging()
  }
  /** While some finished work has no result yet it is looked for now and then, and the records are read anew with it. */
  async function lookAtJudging(): Promise<void> {
    const before = judging.value
    judging.value = await ask(judgingStateSchema, '/ledger/judging').catch(() => before)
    const left = (state: JudgingState | null) => (state ? state.all - state.done : 0)
    if (left(before) > 0 && left(judging.value) === 0) void load()
    if (left(judging.value) > 0) again.start()
  }
  const again = useTimeoutFn(() => void lookAtJudging(), 2000, { immediate: false })
  async function more(): Promise<void> {
    const mine = asked
    await ask(ledgerStudentsSchema, `/ledger/students${queryOf({ after: after.value! })}`).then((page) => {
      if (mine !== asked) return
      students.value = [...students.value, ...page.rows]
      after.value = page.after
    }, failed)
  }
  /** All students of the scope, whatever is shown of them. */
  async function allStudents(): Promise<LedgerStudent[]> {
    const all = [...students.value]
    for (let next = after.value; next !== null;) {
      const page = await ask(ledgerStudentsSchema, `/ledger/students${queryOf({ after: next })}`)
      all.push(...page.rows)
      next = page.after
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
  /** Lab days by their name; the newest where nothing is typed. */
  async function findDays(text: string): Promise<void> {
    await ask(dayListSchema, `/days?find=${encodeURIComponent(text)}`).then(({ rows }) => {
      // The chosen one stays among them.
      const chosen = days.value.filter(({ id }) => id === day.value && !rows.some((row) => row.id === id))
      days.value = [...chosen, ...rows]
    }, failed)
  }
  watch(query, () => void load())

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
  const saveFaults = () => csv('faults.csv', ledger.value?.faults ?? [])
  const saveReport = () =>
    act(async () => {
      const { report } = await import('./report')
      await report(about.value, await allStudents(), ledger.value!, await allMarks())
    })
  return {
    scope,
    ledger,
    students,
    count,
    judging,
    wrong,
    days,
    day,
    query,
    about,
    load,
    more,
    findDays,
    saveSkills,
    saveFaults,
    saveReport,
  }
}
