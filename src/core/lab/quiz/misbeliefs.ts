import { findPart } from '../../model'
import { partOfKind } from '../../parts'
import { say } from '../../document'
import { inAmps, nothing, inVolts, type Misbelief, type Choice, type QuizSource } from './question'

const called = ({ circuit }: QuizSource, id: string): string => {
  const part = findPart(circuit, id)
  return part?.name ? `${id} ${part.name}` : id
}
const isLamp = ({ circuit }: QuizSource, id: string): boolean =>
  circuit.parts.some((p) => p.id === id && partOfKind(p.kind).symbol === 'lamp')
/** A choice of volts, and of amps. */
const reads = (value: number): Choice['text'] => say('quiz.reads', { value: inVolts(value) })
const draws = (value: number): Choice['text'] => say('quiz.draws', { value: inAmps(value) })

/** “No drop is a good connection”: also where nothing flows that could drop. */
const zeroIsPerfect: Misbelief = {
  key: 'zeroIsPerfect',
  ask: (source) =>
    source.faulted.balances.flatMap((balance, i) => {
      if (Math.abs(balance.amps) > nothing.amps || !balance.load) return []
      if (Math.abs(source.healthy.balances[i]?.amps ?? 0) < 0.05) return []
      const row = source.faulted.walks[i]?.find(
        ({ side, value, segment }) =>
          (side === 'feed' || side === 'return') &&
          value !== undefined &&
          Math.abs(value) < nothing.volts &&
          segment === 'copper',
      )
      if (!row) return []
      return [
        {
          text: say('quiz.zeroText', {
            piece: say('quiz.fromTo', { piece: called(source, row.part), from: row.from, to: row.to }),
            load: called(source, balance.load),
            value: inVolts(Math.round(row.value! * 1000) / 1000),
          }),
          choices: [
            { text: say('quiz.zeroRight') },
            { text: say('quiz.isSound'), misbelief: say('quiz.zeroBelief') },
            { text: say('quiz.isShorted'), misbelief: say('quiz.zeroShort') },
            { text: say('quiz.isOpen'), misbelief: say('quiz.zeroOpen') },
          ],
          why: say('quiz.zeroWhy'),
        },
      ]
    }),
}

/** “Source volts are good volts”: also in front of an open, where they cannot go anywhere. */
const sourceIsGood: Misbelief = {
  key: 'sourceIsGood',
  ask: (source) =>
    source.faulted.balances.flatMap((balance, i) => {
      if (Math.abs(balance.amps) > nothing.amps || !balance.load) return []
      if (Math.abs(source.healthy.balances[i]?.amps ?? 0) < 0.05) return []
      // A point behind the load that stands at source volts though nothing flows: the return is open.
      const behind = source.faulted.walks[i]?.find(
        ({ side, from }) =>
          side === 'return' &&
          source.faulted.points.some(
            (p) => p.name === from && !p.inside && Math.abs((p.value ?? 0) - balance.supply) < 0.3,
          ),
      )
      if (!behind) return []
      return [
        {
          text: say('quiz.sourceText', {
            point: behind.from,
            load: called(source, balance.load),
            value: inVolts(balance.supply),
          }),
          choices: [
            { text: say('quiz.sourceRight') },
            { text: say('quiz.sourceAllGood'), misbelief: say('quiz.sourceBelief') },
            { text: say('quiz.sourceFeedOpen'), misbelief: say('quiz.sourceFeed') },
            { text: say('quiz.sourceShort'), misbelief: say('quiz.sourceShortBelief') },
          ],
          why: say('quiz.sourceWhy'),
        },
      ]
    }),
}

/** “What flows in is partly used up”: current is the same all along one path. */
const usedUp: Misbelief = {
  key: 'usedUp',
  ask: (source) =>
    source.healthy.balances.flatMap((balance, i) => {
      const { amps: in_, load } = balance
      if (!load || in_ < 0.05) return []
      const walk = source.healthy.walks[i] ?? []
      const after = walk.find(({ side }) => side === 'return')
      // Where other paths join behind the load, more flows there than came through it.
      if (!after || Math.abs(after.amps - in_) > 0.02 * in_) return []
      return [
        {
          text: say('quiz.usedText', { load: called(source, load), value: inAmps(in_) }),
          choices: [
            { text: draws(after.amps) },
            { text: say('quiz.drawsLess'), misbelief: say('quiz.usedBelief') },
            { text: say('quiz.drawsNone'), misbelief: say('quiz.usedAll') },
            { text: draws(2 * in_), misbelief: say('quiz.usedDouble') },
          ],
          why: say('quiz.usedWhy'),
        },
      ]
    }),
}

/** “Volts by ohms, measured cold”: a filament has ten times that when it glows. */
const coldOhms: Misbelief = {
  key: 'coldOhms',
  ask: (source) =>
    source.healthy.balances.flatMap((balance, i) => {
      const { load, loadDrop, amps: hot } = balance
      if (!load || !isLamp(source, load) || loadDrop.value === undefined || hot < 0.05) return []
      const cold = source.isolated.find(({ part }) => part === load)?.ohms.value
      // Two lamps side by side are no case for one lamp's ohms.
      const own = source.healthy.walks[i]?.find(({ part, side }) => part === load && side === 'load')
      if (cold === undefined || cold <= 0 || !own) return []
      const byCold = loadDrop.value / cold
      if (byCold < 3 * own.amps) return []
      return [
        {
          text: say('quiz.coldText', {
            load: called(source, load),
            ohms: { value: cold, unit: 'Ω' },
            value: inVolts(loadDrop.value),
          }),
          choices: [
            { text: draws(own.amps) },
            { text: draws(byCold), misbelief: say('quiz.coldBelief') },
            { text: draws(loadDrop.value * cold), misbelief: say('quiz.coldTimes') },
            { text: draws(own.amps / 2), misbelief: say('quiz.coldHalf') },
          ],
          why: say('quiz.coldWhy', { ratio: Math.round(byCold / own.amps) }),
        },
      ]
    }),
}

/** “The volts are used up before the return”: what feed and load leave of the source, the return has. */
const sumCloses: Misbelief = {
  key: 'sumCloses',
  ask: (source) =>
    source.faulted.balances.flatMap((balance) => {
      const { load, source: atSource, feedLoss, loadDrop, returnLoss } = balance
      const [feed, own, back] = [feedLoss.value, loadDrop.value, returnLoss.value]
      if (!load || feed === undefined || own === undefined || back === undefined) return []
      if (balance.amps < 0.02 || back < 0.15 || feed < 0) return []
      return [
        {
          text: say('quiz.sumText', {
            load: called(source, load),
            source: inVolts(atSource),
            feed: inVolts(feed),
            own: inVolts(own),
          }),
          choices: [
            { text: reads(back) },
            { text: reads(0), misbelief: say('quiz.sumZero') },
            { text: reads(atSource), misbelief: say('quiz.sumSource') },
            { text: reads(own + feed), misbelief: say('quiz.sumAdded') },
          ],
          why: say('quiz.sumWhy'),
        },
      ]
    }),
}

/** Every misbelief there is. A new one is its own object and its entry here. */
export const misbeliefs: readonly Misbelief[] = [zeroIsPerfect, sourceIsGood, usedUp, coldOhms, sumCloses]
