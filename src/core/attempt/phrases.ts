import { phrases } from '../document'

/** Why a step cannot be taken. */
export const say = phrases('attempt', {
  unsettled: 'The circuit settles in no steady state like this',
  noPosition: '{id} has no position “{position}”: it has {positions}',
  noPositions: '{id} has no positions',
  noDetach: '{id} cannot be unplugged, pulled or lifted',
  noPart: 'There is no part {id} in this circuit',
  noPiece: 'There is no piece {id} in this circuit',
  noTerminal: 'There is no terminal {end} in this circuit',
  notInBag: '{title} is not in the bag of this work order',
  readingFirst: 'An inference follows a reading: take one first',
  testFirst: 'Take at least one reading before you conclude',
  concludeFirst: 'Name the piece first: the work ends with a conclusion',
  concluded: 'This work order is concluded: nothing can be added to it',
  notSuchRepair: '{title} is no repair for {piece}: there are {repairs}',
  nothingToRenew: '{id} is no fuse that has blown',
  noSteps: 'This work order has {most} steps: that is the most it can take',
  virtual: 'This work order is measured on the virtual board: nothing is typed in',
  noNotice: '{id} shows none of that: it shows {notices}',
  noHints: 'This work order gives no hints',
  timeUp: 'The time is up: what you have measured is kept. Conclude with what you know.',
  typed: 'The reading of a real board is typed in',
})
