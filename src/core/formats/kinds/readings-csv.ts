import type { Format } from '../format'
import { limitSetFor } from '../../readings'
import { keyToCsv } from '../key-csv'

export const readingsCsv: Format = {
  key: 'csv',
  title: 'formats.readingsTable',
  about: 'formats.readingsCsv.about',
  endings: ['csv'],
  mime: 'text/csv',
  write: ({ circuit, faults, limits, healthy, faulted, tell }) => ({
    ok: true,
    value: keyToCsv(healthy, faulted, tell, { circuit, faults, limits: limitSetFor(circuit, limits) }),
  }),
}
