import { formatPlain } from '../../quantity'
import { defineFault } from '../definition'

export const wrongFuse = defineFault({
  kind: 'wrongFuse',
  prior: { weight: 0.05, why: 'its colour and figures are seen at once' },
  title: 'Wrong fuse fitted',
  family: 'wiring',
  drawsMore: true,
  repairedBy: ['refit', 'replace'],
  severity: {
    label: 'Rating fitted',
    unit: 'A',
    least: 1,
    most: 500,
    preset: 3,
    grid: [1, 2, 3, 5, 7.5, 10, 15, 20, 30, 40],
  },
  built: 'Fit a fuse of another rating.',
  caution: 'Never a larger one than the wire stands: only a smaller one is safe to demonstrate.',
  describe: (amps) => `a ${formatPlain(amps)} A fuse in its place`,
  // The fuse's own equations know it.
  strike: ({ elements }) => [...elements],
})
