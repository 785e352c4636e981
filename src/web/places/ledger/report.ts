import { t } from '../../words'
import type { Content } from 'pdfmake/interfaces'
import type { Ledger, MarkRow } from '../../../contract'
import { skillKeys, skills } from '../../../core/lab'
import { fileName, saveBlob } from '../../parts/download'
import { make, page, table } from '../../parts/pdf'
import { when } from '../../parts/when'
import { faultWords, levelOf, percent, skillWord, type LedgerStudent } from './useLedger'

/** Class or lab day on paper: who can do what, what was worked at with what mark, and what each fault has shown. */
export function reportPages(
  about: string,
  everybody: readonly LedgerStudent[],
  ledger: Ledger,
  marks: readonly MarkRow[],
): Content[] {
  const students = everybody.filter((s) => s.attempts > 0 || everybody.length <= 40)
  return [
    { text: about, style: 'title' },
    {
      text: t('ui.ledger.percentOfAFullCommandGive'),
      style: 'quiet',
    },
    table(
      [
        '',
        t('ui.ledger.work'),
        t('ui.ledger.mean'),
        ...skillKeys.map((k) => t(skills[k])),
        t('ui.common.next'),
      ],
      students.map((s) => [
        { text: s.name, bold: true },
        String(s.attempts),
        s.mean === null ? '–' : String(Math.round(s.mean)),
        ...skillKeys.map((k) => {
          const { level, spread, thin } = levelOf(s, k)
          return thin ? '–' : `${percent(level)} ±${percent(spread)}`
        }),
        s.next.slice(0, 1).map(skillWord).join(),
      ]),
    ),
    { text: t('ui.ledger.work'), style: 'state' },
    marks.length
      ? table(
          [
            t('ui.common.student'),
            t('ui.ledger.finished'),
            t('ui.common.circuit'),
            t('ui.common.fault'),
            t('ui.ledger.readings'),
            t('ui.ledger.minutes'),
            t('ui.common.mark'),
          ],
          marks.map((m) => [
            { text: m.student, bold: true },
            when(m.finished),
            m.circuit,
            [
              m.found ? faultWords(m.fault) : t('ui.ledger.notFound', { fault: faultWords(m.fault) }),
              ...(m.notes.length ? [t('ui.ledger.byTheInstructor', { notes: m.notes.join('; ') })] : []),
            ].join(' '),
            String(m.readings),
            String(Math.round(m.minutes)),
            String(Math.round(m.mark)),
          ]),
        )
      : { text: t('ui.ledger.nothingIsFinishedYet') },
    { text: t('ui.ledger.faults'), style: 'state' },
    table(
      [
        t('ui.common.fault'),
        t('ui.common.circuit'),
        t('ui.ledger.found'),
        t('ui.ledger.readings'),
        t('ui.ledger.minutes'),
        t('ui.ledger.takenFor'),
      ],
      ledger.faults.map((f) => [
        faultWords(f.fault),
        f.circuit,
        t('ui.ledger.of', { found: f.found, attempts: f.attempts }),
        String(f.tests),
        String(Math.round(f.minutes)),
        f.wrong ? faultWords(f.wrong) : '',
      ]),
    ),
  ]
}

export async function report(
  about: string,
  students: readonly LedgerStudent[],
  ledger: Ledger,
  marks: readonly MarkRow[],
): Promise<void> {
  const title = t('ui.ledger.report', { about })
  saveBlob(
    fileName(title, 'pdf'),
    await make(page(title, reportPages(about, students, ledger, marks), 'landscape')),
  )
}
