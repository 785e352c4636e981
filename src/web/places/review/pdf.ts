import { formatPlain, quoted, t, tell } from '../../words'
import type { Content, TableCell } from 'pdfmake/interfaces'
import type { Review } from '../../../contract'
import { aspectNames, givenTotal } from '../../../core/assessment'
import type { Message } from '../../../core/document'
import { describeFault } from '../../../core/faults'
import { caution, make, page, table } from '../../parts/pdf'
import { when } from '../../parts/when'
import { stepWords } from '../../readings/stepWords'
import { drawingSvg } from '../../schematic/svg'

/** One attempt on paper: the marks, then every step with what was said of it. */
export const attemptPdf = (review: Review, say: (m: Message) => string): Promise<Blob> =>
  make(attemptPage(review, say))

export function attemptPage(review: Review, say: (m: Message) => string) {
  const { circuit, complaint, faults, spares, student, concluded, judged, steps, overrides, replies } = review
  let tests = 0
  const rows = steps.map(({ step, at }, i): TableCell[] => {
    const { head, text } = stepWords(circuit, step, step.type === 'test' ? ++tests : tests)
    const verdicts = (judged?.judgements ?? []).filter((j) => j.step === i)
    return [
      { text: String(i + 1) },
      { stack: [{ text: head, bold: true }, { text }, { text: when(at), style: 'quiet' }] },
      {
        stack: verdicts.flatMap((j): Content[] => {
          const answer = replies.find((r) => r.step === i && r.verdict === j.verdict.code)
          return [
            {
              text: [
                { text: `${tell(aspectNames[j.aspect])}: ${say(j.verdict)}. `, bold: true },
                say(j.reason),
              ],
              ...(j.grade === 'poor' && { color: '#a83a12' }),
            },
            ...(answer
              ? [{ text: t('ui.review.theStudentWrote', { body: answer.body }), italics: true }]
              : []),
          ]
        }),
      },
    ]
  })
  const marks = judged?.marks.filter(({ of }) => of > 0) ?? []
  const own = (aspect: string) => overrides.find((o) => o.aspect === aspect)
  const mark = judged && givenTotal(judged, overrides)
  return page(`${student.name}: ${circuit.name}`, [
    { text: `${student.name}: ${circuit.name}`, style: 'title' },
    {
      text: concluded
        ? t('ui.review.finishedAt', { complaint: quoted(complaint), concluded: when(concluded) })
        : quoted(complaint),
      style: 'quiet',
      margin: [0, 2, 0, 4],
    },
    {
      text: t('ui.common.planted', { join: faults.map((f) => tell(describeFault(circuit, f))).join('; ') }),
      style: 'bad',
    },
    ...(spares.length
      ? [
          {
            text: t('ui.review.badSpares', {
              faults: spares.map((f) => tell(describeFault(circuit, f))).join('; '),
            }),
            style: 'bad',
          },
        ]
      : []),
    { svg: drawingSvg(circuit, { face: 'Roboto' }), fit: [520, 260], margin: [0, 6, 0, 6] },
    ...(judged && mark !== null
      ? [
          table(
            [...marks.map((m) => tell(aspectNames[m.aspect])), t('ui.common.mark')],
            [
              [
                ...marks.map((m): TableCell => {
                  const put = own(m.aspect)
                  return put
                    ? t('ui.review.ofJudge', {
                        x: formatPlain(put.points, 3),
                        of: m.of,
                        x2: formatPlain(m.points, 3),
                        note: put.note,
                      })
                    : t('ui.common.of', { x: formatPlain(m.points, 3), of: m.of })
                }),
                { text: t('ui.common.of', { x: formatPlain(mark, 3), of: judged.of }), bold: true },
              ],
            ],
          ),
          ...reasons(marks),
        ]
      : []),
    ...(review.exam ? examRecord(review.exam, review.steps.length) : []),
    { text: t('ui.review.stepByStep'), style: 'state' },
    table(['', t('ui.common.whatWasDone'), t('ui.review.whatIsSaidOfIt')], rows, [14, 210, '*']),
    ...(review.exam ? [signatures()] : []),
    { text: caution(), style: 'quiet', margin: [0, 10, 0, 0] },
  ])
}

/** Why marks are less than their steps earned; what several aspects share is said once. */
function reasons(marks: NonNullable<Review['judged']>['marks']): Content[] {
  const aspects = new Map<string, string[]>()
  for (const { aspect, less = [] } of marks)
    for (const why of less.map(tell))
      aspects.set(why, [...(aspects.get(why) ?? []), tell(aspectNames[aspect])])
  return [...aspects].map(([why, names]) => ({ text: `${names.join(', ')}: ${why}`, style: 'quiet' }))
}

/** What an examination's record says beside the marks: under which conditions, how hard, by which rubric and engine. */
function examRecord(exam: NonNullable<Review['exam']>, steps: number): Content[] {
  const { name, room, seat, minutes, extra, handbook, difficulty, rubric, engine } = exam
  return [
    { text: t('ui.review.examRecord', { name }), style: 'state' },
    {
      text: t('ui.review.examConditions', {
        room: room || '–',
        seat: seat ?? '–',
        minutes: minutes + extra,
        handbook: t(`ui.exams.handbook.${handbook}`),
        steps,
      }),
    },
    {
      text: t('ui.review.examVersions', {
        difficulty: difficulty === null ? '–' : difficulty.toFixed(1),
        rubric: rubric.slice(0, 12),
        engine: engine.slice(0, 12),
      }),
      style: 'quiet',
      margin: [0, 0, 0, 6],
    },
  ]
}

/** Lines to sign on. */
const signatures = (): Content => ({
  columns: [t('ui.review.signedStudent'), t('ui.review.signedInstructor'), t('ui.review.signedDate')].map(
    (text): Content => ({ text: `\n\n______________________\n${text}` }),
  ),
  margin: [0, 16, 0, 0],
})

/** Lines of a worksheet: as many as a page holds. */
const sheetRows = 14

/** What a student fills in at the board: the drawing, the complaint, and a line for each reading; nothing of the fault. */
export const orderSheetPdf = (review: Review): Promise<Blob> => make(orderSheet(review))

export function orderSheet({ circuit, complaint, student, frame }: Review) {
  const heads = [
    '',
    t('ui.common.state'),
    t('ui.common.instrument'),
    t('ui.common.redOrAt'),
    t('ui.common.black'),
    t('ui.common.aGoodCircuitWouldShow'),
    t('ui.review.itShows'),
    t('ui.common.struckOutSoFar'),
  ]
  return page(`${student.name}: ${circuit.name}`, [
    { text: t('ui.review.workOrder', { name: circuit.name }), style: 'title' },
    {
      text: t('ui.review.forThere', {
        name: student.name,
        complaint,
        fault: frame.faults === 2 ? t('ui.review.mayBeUpToTwo') : t('ui.review.isOneFault'),
      }),
      margin: [0, 2, 0, 6],
    },
    { svg: drawingSvg(circuit, { face: 'Roboto' }), fit: [520, 300], margin: [0, 0, 0, 6] },
    {
      text: t('ui.review.states', { join: circuit.states.map((s) => s.name).join(', ') }),
      style: 'quiet',
      margin: [0, 0, 0, 4],
    },
    table(
      heads,
      Array.from({ length: sheetRows }, (_, i): TableCell[] => [
        { text: String(i + 1), margin: [0, 6, 0, 6] },
        ...heads.slice(1).map((): TableCell => ''),
      ]),
      [14, 70, 70, 46, 46, 66, 60, '*'],
    ),
    {
      text: t('ui.review.thePieceHowItFailed'),
      margin: [0, 12, 0, 8],
    },
    { text: caution(), style: 'quiet' },
  ])
}
