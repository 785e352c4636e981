import { tag } from '../words'

const short = new Intl.DateTimeFormat(tag.value, {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
})

/** A moment as a person reads it. `iso` is a UTC time stamp. */
export const when = (iso: string): string => short.format(new Date(iso))
