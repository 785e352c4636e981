import { phrases } from '../../document'

export const say = phrases('quiz', {
  reads: '{value}',
  draws: '{value}',
  drawsLess: 'Less: some of it is used up',
  drawsNone: 'Nothing: it is used up',
  isSound: 'It is sound',
  isShorted: 'It is shorted',
  isOpen: 'It is open',
  fromTo: '{piece} (from {from} to {to})',
  zeroText: '{load} does not work. Across {piece} the meter shows {value}. What does that say of it?',
  zeroRight: 'Nothing yet: no current flows through it',
  zeroBelief: 'no drop is taken for a good connection, also where nothing flows',
  zeroShort: 'zero volts are taken for a short',
  zeroOpen: 'zero volts are taken for an open',
  zeroWhy:
    'A piece drops volts only while current flows through it. Make it flow, or look where the volts stop.',
  sourceText:
    '{load} does not work. At {point}, behind it, the meter shows {value} to battery −. What does that say?',
  sourceRight: 'The way is whole as far as here; it is open between here and battery −',
  sourceAllGood: 'All is well here: the volts are there',
  sourceFeedOpen: 'The feed of it is open',
  sourceShort: 'It is shorted to battery +',
  sourceBelief: 'source volts are taken for good volts, wherever they are found',
  sourceFeed: 'what does not work is taken to have no volts',
  sourceShortBelief: 'volts on the return are taken to come from somewhere else',
  sourceWhy:
    'Without current nothing drops: source volts reach as far as the way is whole. Behind a load they mean that the return is open.',
  usedText: '{value} flow into {load}. What flows out of it?',
  usedBelief: 'a load is taken to use up current',
  usedAll: 'a load is taken to use up all of the current',
  usedDouble: 'feed and return are added up',
  usedWhy: 'Current is the same all along one path. A load takes volts, not amps.',
  coldText:
    'Out of its socket {load} measures {ohms}. In it, lit, there are {value} across it. What does it draw?',
  coldBelief: 'cold ohms are taken for the ohms it has when it glows',
  coldTimes: 'volts are multiplied by ohms',
  coldHalf: 'a guess between',
  coldWhy:
    'A filament that glows has about {ratio} times its cold ohms. Ohm’s law wants the ohms it has at work.',
  sumText:
    'Source {source}; the feed of {load} loses {feed}; across it there are {own}. What does the return lose?',
  sumZero: 'the return is taken to lose nothing',
  sumSource: 'source volts are expected at every point',
  sumAdded: 'what is left is not taken from the source',
  sumWhy:
    'Feed, load and return add up to the source. What is missing of the source is where nobody has measured yet.',
})

/** The English of every question: it comes with the places that ask, not with every page. */
export const quizTexts: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(say.english).map(([key, text]) => [`${say.prefix}.${key}`, text]),
)
