import { t } from '../../words'
import { computed, ref, watch } from 'vue'
import { z } from 'zod'
import {
  classListSchema,
  dayListSchema,
  ledgerSchema,
  markRowSchema,
  type ClassList,
  type DayList,
  type Ledger,
} from '../../../contract'
import { aspectNames, aspects } from '../../../core/assessment'
import { recordsToCsv } from '../../../core/formats'
import { skillKeys, skills, type Skill } from '../../../core/lab'
import { ask, messageOf } from '../../api/client'
import { download } from '../../parts/download'
import { dayWords } from '../../parts/when'

export type LedgerStudent = Ledger['students'][number]
export const levelOf = (student: LedgerStudent, skill: Skill) => student.skills[skill]!
export const percent = (x: number) => Math.round(100 * x)
/** Faults as they were planted, several with a semicolon between them. */
export const faultWords = (planted: string): string =>
  planted
    .split('; ')
    .map((one) => t(one))
    .join('; ')
export const skillWord = (skill: string) => t(skills[skill as Skill])

/** The records of everybody, of a class, of a lab day; and the files they are handed on as. */
export function useLedger() {
  const ledger = ref<Ledger | null>(null)
  const wrong = ref('')
  const classes = ref<ClassList>([])
  const days = ref<DayList>([])
  const group = ref('')
  const day = ref('')
  const query = computed(() => {
    const scope = new URLSearchParams({
      ...(group.value && { class: group.value }),
      ...(day.value && { day: day.value }),
    }).toString()
    return scope ? `?${scope}` : ''
  })
  /** What it is about, for the head of a report. */
  const about = computed(
    () =>
      [
        classes.value.find(({ id }) => id === group.value)?.name,
        days.value.filter(({ id }) => id === day.value).map((d) => `${d.name}, ${dayWords(d.day)}`)[0],
      ]
        .filter(Boolean)
        .join(', ') || t('Everybody'),
  )
  const said = (error: unknown) => void (wrong.value = messageOf(error))
  let asked = 0
  /** Of two that are on their way only the later counts, whichever arrives last. */
  async function load(): Promise<void> {
    const mine = ++asked
    await ask(ledgerSchema, `/ledger${query.value}`).then(
      (read) => {
        if (mine !== asked) return
        ledger.value = read
        wrong.value = ''
      },
      (error: unknown) => mine === asked && said(error),
    )
  }
  watch(query, () => void load())
  void ask(classListSchema, '/classes').then((list) => (classes.value = list), said)
  void ask(dayListSchema, '/days').then((list) => (days.value = list), said)

  const csv = (name: string, rows: readonly object[]) => download(name, 'text/csv', recordsToCsv(rows))
  const saveSkills = () =>
    csv(
      'class-skills.csv',
      (ledger.value?.students ?? []).map((s) => ({
        student: s.name,
        attempts: s.attempts,
        mean: s.mean === null ? '' : Math.round(s.mean),
        ...Object.fromEntries(
          skillKeys.flatMap((k) => [
            [t(skills[k]), levelOf(s, k).thin ? '' : percent(levelOf(s, k).level)],
            [
              t('{k}, give or take', { k: skills[k] }),
              levelOf(s, k).thin ? '' : percent(levelOf(s, k).spread),
            ],
          ]),
        ),
      })),
    )
  const saveFaults = () => csv('faults.csv', ledger.value?.faults ?? [])
  const marks = () => ask(z.array(markRowSchema), `/ledger/marks${query.value}`)
  async function saveMarks() {
    await marks().then(
      (rows) =>
        csv(
          'marks.csv',
          rows.map(({ points, verdicts, notes, found, minutes, ...row }) => ({
            ...row,
            found: found ? 'yes' : 'no',
            minutes: Math.round(minutes),
            ...Object.fromEntries(aspects.map((a) => [aspectNames[a], points[a] ?? ''])),
            verdicts: verdicts.join(' '),
            notes: notes.join('; '),
          })),
        ),
      said,
    )
  }
  async function saveResults() {
    const rows = z.array(z.record(z.string(), z.unknown()))
    await ask(z.object({ lineItems: rows, results: rows }), '/ledger/results').then((found) => {
      csv('lineItems.csv', found.lineItems)
      csv('results.csv', found.results)
    }, said)
  }
  async function saveReport() {
    try {
      const { report } = await import('./report')
      await report(about.value, ledger.value!, await marks())
    } catch (error) {
      said(error)
    }
  }
  return {
    ledger,
    wrong,
    classes,
    days,
    group,
    day,
    about,
    load,
    saveSkills,
    saveFaults,
    saveMarks,
    saveResults,
    saveReport,
  }
}
