import { say } from '../../document'
import { defineFault } from '../definition'
import { inSeries } from '../strike'

export const slack = defineFault({
  kind: 'slack',
  prior: { weight: 0.5, why: 'shows only while something moves' },
  title: 'faults.slack.title',
  family: 'resistance',
  reseats: true,
  repairedBy: ['terminal', 'recrimp', 'remake', 'replace', 'tighten', 'moveGround'],
  severity: {
    label: 'faults.slack.resistanceWhileItIsMoved',
    unit: 'Ω',
    least: 0.5,
    most: 1e6,
    preset: 1e6,
    grid: [0.5, 2, 10, 100, 1e6],
  },
  built: 'faults.slack.built',
  describe: (ohms) =>
    ohms >= 1e5
      ? 'faults.slack.slackOpensWhenItIs'
      : say('faults.slack.describe', { ohms: { value: ohms, unit: 'Ω' } }),
  strike: (site, ohms) =>
    inSeries(site, (a, b) => ({
      type: 'resistor',
      a,
      b,
      ohms: site.wiggled ? ohms : 0.03,
      owner: site.owner,
    })),
})
