import type { Format } from '../format'
import { keyToCsv } from '../key-csv'

export const readingsCsv: Format = {
  key: 'csv',
  title: 'table of readings',
  about: 'Readings, CSV',
  endings: ['csv'],
  mime: 'text/csv',
  write: ({ healthy, faulted, tell }) => ({ ok: true, value: keyToCsv(healthy, faulted, tell) }),
}
