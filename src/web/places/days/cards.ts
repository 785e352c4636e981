import { t, tell } from '../../words'
import type { Content } from 'pdfmake/interfaces'
import { storedLessonSchema, type LessonRow, type StoredDay, type StoredLesson } from '../../../contract'
import { faultOfKind, describeFault } from '../../../core/faults'
import { ask } from '../../api/client'
import { caution, make, page, table } from '../../parts/pdf'
import { fileName, saveBlob } from '../../parts/download'
import { dayWords } from '../../parts/when'

/** `day` is a calendar day of the school, as `2026-11-26`. */
const dated = ({ name, day }: StoredDay): string => `${name}, ${dayWords(day)}`

/** The instructor's: what to plant at a bench, how it is made, what proves it, and how it is taken out again. */
export function sealed(day: StoredDay, lessons: ReadonlyMap<string, StoredLesson>): Content[] {
  return day.body.stands.flatMap((stand, i): Content[] => {
    const stored = stand.lesson ? lessons.get(stand.lesson) : undefined
    const set = stored?.lesson.sets[stand.set]
    return [
      {
        text: t('ui.days.forTheInstructorOnly', { name: stand.name }),
        style: 'title',
        ...(i > 0 && { pageBreak: 'before' as const }),
      },
      { text: dated(day), style: 'quiet' },
      ...(stored && set
        ? [
            { text: stored.lesson.circuit.name, style: 'state' },
            ...set.faults.flatMap((fault): Content[] => {
              const { built, caution: care } = faultOfKind(fault.kind)
              return [
                { text: tell(describeFault(stored.lesson.circuit, fault)), bold: true, margin: [0, 6, 0, 0] },
                {
                  text: stand.real
                    ? t('ui.days.madeOnTheBoard', { built: tell(built) })
                    : t('ui.days.onAVirtualBoardNothing'),
                },
                ...(care && stand.real ? [{ text: tell(care), style: 'bad' }] : []),
              ]
            }),
            ...(set.complaint
              ? [
                  {
                    text: t('ui.days.theDriverSays', { complaint: set.complaint }),
                    margin: [0, 6, 0, 0] as [number, number, number, number],
                  },
                ]
              : []),
            ...(stand.real
              ? [
                  { text: t('ui.days.inThisOrder'), style: 'state' },
                  {
                    ol: [
                      t('ui.days.plantIt'),
                      t('ui.days.commissionAFewReadingsProve'),
                      t('ui.days.runTheRounds'),
                      t('ui.days.restoreTheBoard'),
                      t('ui.days.proveItHealthyTheSame'),
                    ],
                  },
                ]
              : []),
          ]
        : [{ text: t('ui.days.nothingIsPlantedHere') }]),
      { text: caution(), style: 'quiet', margin: [0, 12, 0, 0] },
    ]
  })
}

/** What stands on the bench: its name, and where to sign in. Nothing of what is planted. */
export function stations(day: StoredDay, address: string): Content[] {
  return day.body.stands.map((stand, i): Content => ({
    stack: [
      { text: stand.name, fontSize: 34, bold: true },
      { text: dated(day), fontSize: 13, margin: [0, 4, 0, 16] },
      { qr: `${address}/card/${day.id}/${i + 1}`, fit: 190 },
      {
        text: t('ui.days.scanItTypeTheWord'),
        fontSize: 12,
        margin: [0, 8, 0, 2],
      },
      {
        text: `${address}/card/${day.id}/${i + 1}`,
        fontSize: 9,
        margin: [0, 0, 0, 16],
      },
      {
        text: stand.real ? t('ui.days.aRealBoardTypeWhat') : t('ui.days.aVirtualBoard'),
        fontSize: 13,
      },
      { text: caution(), style: 'quiet', margin: [0, 16, 0, 0] },
    ],
    ...(i > 0 && { pageBreak: 'before' as const }),
  }))
}

/** Who goes where and when. */
export function orders(day: StoredDay, groups: readonly string[], times: readonly string[]): Content[] {
  return [
    { text: dated(day), style: 'title' },
    table(
      ['', ...times.map((time, r) => t('ui.days.roundAt', { x: r + 1, time }))],
      groups.map((name, g) => [
        { text: name, bold: true },
        ...times.map((_, r) => day.body.stands[day.body.seats[g]?.[r] ?? -1]?.name ?? '–'),
      ]),
    ),
  ]
}

export async function dayCards(
  what: 'sealed' | 'stations' | 'orders',
  day: StoredDay,
  rows: readonly LessonRow[],
  groups: readonly string[],
  times: readonly string[],
): Promise<void> {
  const lessons = new Map<string, StoredLesson>()
  if (what === 'sealed')
    for (const { id } of rows.filter((row) => day.body.stands.some((s) => s.lesson === row.id)))
      lessons.set(id, await ask(storedLessonSchema, `/lessons/${id}`))
  const content =
    what === 'sealed'
      ? sealed(day, lessons)
      : what === 'stations'
        ? stations(day, window.location.origin)
        : orders(day, groups, times)
  const title = `${day.name}, ${what === 'sealed' ? t('ui.days.sealedCardsFile') : what === 'stations' ? t('ui.days.stationCardsFile') : t('ui.days.ordersFile')}`
  saveBlob(
    fileName(title, 'pdf'),
    await make(page(title, content, what === 'orders' ? 'landscape' : 'portrait')),
  )
}
