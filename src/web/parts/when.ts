import { tag } from '../words'

const made = new Map<string, Intl.DateTimeFormat>()
const as = (style: Intl.DateTimeFormatOptions): Intl.DateTimeFormat => {
  const key = `${tag()} ${JSON.stringify(style)}`
  const known = made.get(key) ?? new Intl.DateTimeFormat(tag(), style)
  made.set(key, known)
  return known
}

/** A moment as a person reads it. `iso` is a UTC time stamp. */
export const when = (iso: string): string =>
  as({ day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(new Date(iso))

/** A calendar day, such as `2026-11-26`, as a person reads it; the same wherever it is read. */
export const dayWords = (day: string): string =>
  as({ day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`))
