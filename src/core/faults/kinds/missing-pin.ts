import { defineFault } from '../definition'

export const missingPin = defineFault({
  kind: 'missingPin',
  prior: { weight: 0.3, why: 'a pin that never was there is found at the first drive' },
  title: 'faults.missingPin.title',
  family: 'opens',
  inLine: true,
  sameAs: ['open'],
  seen: { as: 'empty', apart: true },
  repairedBy: ['terminal', 'replace'],
  built: 'faults.missingPin.built',
  describe: () => 'faults.missingPin.terminalMissingFromItsHousing',
  strike: () => [],
})
