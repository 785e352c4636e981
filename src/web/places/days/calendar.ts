import { t } from '../../words'
import ical from 'ical-generator'
import type { StoredDay } from '../../../contract'
import { download, fileName } from '../../parts/download'

/** The day's rounds as iCalendar (RFC 5545), in the time of the workshop. */
export function calendarOf(
  { id, name, day, body }: StoredDay,
  times: readonly string[],
  stamp: Date,
): string {
  const calendar = ical({
    name,
    prodId: { company: 'Brachyon', product: t('ui.common.labDay'), language: 'EN' },
  })
  times.forEach((time, r) => {
    const start = new Date(`${day}T${time}:00`)
    calendar.createEvent({
      id: `${id}-${r + 1}@brachyon`,
      stamp,
      start,
      end: new Date(start.getTime() + body.minutes * 60_000),
      floating: true,
      summary: t('ui.days.roundOfGroup', { name, x: r + 1 }),
      description: t('ui.days.stationsGroups', {
        count: body.stands.length,
        count2: body.groups.length,
      }),
    })
  })
  return calendar.toString()
}

export const saveCalendar = (day: StoredDay, times: readonly string[]): void =>
  download(fileName(day.name, 'ics'), 'text/calendar', calendarOf(day, times, new Date()))
