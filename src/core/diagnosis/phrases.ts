import { phrases } from '../document'

/** Where a test is made, in a few words. */
export const say = phrases('diagnosis', {
  toGround: '{point} to battery −',
  between: '{from} to {to}',
  acrossFuse: 'millivolts across {part}',
  round: 'clamp round {what}',
  place: '{bundle} at {place}',
  wireAt: '{part} at {place}',
  feedOf: 'the feed of {part}',
  whatDoes: 'what {part} does',
  alone: '{part} {between}',
  lampFeed: 'lamp from {part}’s feed to battery −',
  lampReturn: 'lamp from battery + to {part}’s return',
})
