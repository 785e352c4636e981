import { formatPlain } from '../../quantity'
import { defineFault } from '../definition'

export const wrongBulb = defineFault({
  kind: 'wrongBulb',
  prior: { weight: 0.05, why: 'an eye sees a weak or glaring lamp and what is printed on it' },
  title: 'Wrong lamp fitted',
  family: 'wiring',
  drawsMore: true,
  heats: true,
  repairedBy: ['replace'],
  severity: {
    label: 'Watts fitted',
    unit: 'W',
    least: 0.5,
    most: 150,
    preset: 5,
    grid: [1, 2, 5, 10, 21, 35, 55, 100, 150],
  },
  built: 'Fit a lamp of other watts with the same cap.',
  caution: 'A stronger lamp softens its holder and lens, and its fuse may go: seconds only.',
  describe: (watts) => `a ${formatPlain(watts)} W lamp in its place`,
  // The lamp's own equations know it.
  strike: ({ elements }) => [...elements],
})
