import { phrases } from '../document'

/** Verdicts under a limit set. */
export const say = phrases('readings', {
  noCurrent: 'no verdict: no current flows',
  over: '{what} loses {loss}, over {most}',
  within: '{what} loses {loss}, within {most}',
  nothing: 'Nothing to judge',
  feed: 'Feed',
  return: 'Return',
  together: 'Feed and return together',
  piece: '{from} to {to}',
})
