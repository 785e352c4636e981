import { phrases } from './message'

/** What may be wrong with the shape of any document, whatever it is of. */
export const say = phrases('document', {
  missing: 'It is missing',
  type: 'It must be {expected}',
  least: 'It must be at least {least}',
  most: 'It must be at most {most}',
  shortest: 'It must be at least {least} long',
  longest: 'It must be at most {most} long',
  unknown: 'Unknown: {keys}',
  options: 'It must be one of {options}',
  format: 'It is not written as it should be',
  text: 'It holds a character that no text may hold',
  other: '{words}',
  noVersion: 'Its version must be a whole number from 1 to {most}',
  newer: 'It was made by a newer version of Brachyon ({version}; this one knows up to {most})',
})
