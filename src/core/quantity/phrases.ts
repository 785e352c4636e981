import { phrases } from '../document'

export const say = phrases('quantity', {
  unreadable:
    '“{text}” is not a value in {unit, select, none {numbers} other {{unit}}}: write it like {example}',
  missing: 'A value is missing: write it like {example}',
})
