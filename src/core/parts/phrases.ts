import { phrases } from '../document'

export const say = phrases('parts', {
  range: '{label} must lie between {least} and {most}{unit, select, none {} other { {unit}}}',
  options: '{label} must be one of {options}',
  long: '{label} is at most {most} letters long',
  condition: '{label}: {why}',
  expected: '{what} expected {at, select, end {at the end} other {at “{at}”}}',
  input: 'an input',
  bracket: 'a closing bracket',
  oneOf: 'one of {names}',
  comparison: '> or <',
  volts: 'a number of volts',
  joined: '“and” or “or”',
})
