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
      text: t(
        'Percent of a full command, give or take one standard deviation; – where there is too little evidence. Old work fades by half in sixty days.',
      ),
      style: 'quiet',
    },
    table(
      ['', t('Work'), t('Mean'), ...skillKeys.map((k) => t(skills[k])), t('Next')],
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
    { text: t('Work'), style: 'state' },
    marks.length
      ? table(
          [t('Student'), t('Finished'), t('Circuit'), t('Fault'), t('Readings'), t('Minutes'), t('Mark')],
          marks.map((m) => [
            { text: m.student, bold: true },
            when(m.finished),
            m.circuit,
            `${m.found ? '' : t('not found: ')}${faultWords(m.fault)}${m.notes.length ? t(' (by the instructor: {join})', { join: m.notes.join('; ') }) : ''}`,
            String(m.readings),
            String(Math.round(m.minutes)),
            String(Math.round(m.mark)),
          ]),
        )
      : { text: t('Nothing is finished yet.') },
    { text: t('Faults'), style: 'state' },
    table(
      [t('Fault'), t('Circuit'), t('Found'), t('Readings'), t('Minutes'), t('Taken for')],
      ledger.faults.map((f) => [
        faultWords(f.fault),
        f.circuit,
        t('{found} of {attempts}', { found: f.found, attempts: f.attempts }),
        String(f.tests),
        String(Math.round(f.minutes)),
        f.wrong ? t(f.wrong) : '',
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
  const title = t('Report, {about}', { about })
  saveBlob(
    fileName(title, 'pdf'),
    await make(page(title, reportPages(about, students, ledger, marks), 'landscape')),
  )
}
