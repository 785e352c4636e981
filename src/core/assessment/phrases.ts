import { phrases } from '../document'

/** Verdicts and their reasons. */
export const say = phrases('assessment', {
  // Verdicts, in a word or two.
  right: 'right',
  sign: 'sign',
  near: 'near',
  off: 'off',
  notJudged: 'not judged',
  sound: 'sound',
  follows: 'follows',
  tooEarly: 'too early',
  missed: 'missed',
  takenBack: 'taken back',
  share: '{percent} %',
  contradicted: 'contradicted',
  wrong: 'wrong',
  proven: 'proven',
  notYetShown: 'not yet shown',
  // Facts by name.
  seen: 'what was seen ({notices})',
  reading: 'reading {number} ({text}, {held})',
  leads: '{red} to {black}',
  at: 'at {place}',
  evidence: 'the evidence',
  // Reasons.
  noSteady: 'The good circuit has no steady reading in this state.',
  would: 'A good circuit would show {good} here.',
  wouldBeep: 'A good circuit would show a beep ({good}) here.',
  closeEnough: '{would} {said} is close enough.',
  signOnly: '{would} The size is right, the sign follows from which lead is red.',
  smallNotZero: '{would} Small, not zero: zero on a drop test means that no current flows.',
  nearIt: '{would} {said} is near it.',
  predictedOff: '{would} {said} was predicted.',
  techniqueSound: 'Right function, real points, a state in which the reading means something.',
  rule: '{say} {instead}',
  cleared: '{pieces} {count, plural, one {is} other {are}} cleared: no fault there fits the readings so far.',
  early: '{piece} is struck out too early: “{fault}” would have given the same readings.',
  couldBe: '{pieces} could be struck out: {fact} clears {count, plural, one {it} other {them}}.',
  nothingNew: 'This reading clears nothing new, and nothing was claimed.',
  nothingNewLate:
    'This reading clears nothing new; {pieces} had been cleared earlier and could be struck out.',
  putBack: '{pieces} was put back among the suspects.',
  fewBetter: 'Few tests would have told more at this moment.',
  better: '{title} at {place} with “{state}” would have told more at this moment.',
  hadCleared: '{fact} had already cleared {piece}. Planted was: {truth}.',
  stillOthers:
    '{piece} was still possible, but so {count, plural, one {was} other {were}} {others}. Planted was: {truth}.',
  allStrike: 'Every fault that fits the readings strikes {piece}.',
  leavePossible: 'Right, but not shown: the readings leave {others} possible as well.',
  otherwise: 'The part is right; it failed otherwise than as “{title}”: {truth}.',
  whichPiece: 'The part is right, but not the piece of {piece}: {truth}.',
  both: '{first} {second}',
  soundCircuit: 'a sound circuit',
  doesNotFit:
    '{fact} does not fit the rest: was the circuit as you thought, and the leads where they should be?',
})
