import type { FaultDefinition } from '../definition'

export const seized: FaultDefinition = {
  kind: 'seized',
  title: 'Seized',
  built: 'Hold the shaft with a clamp that cannot fly off.',
  caution: 'A held motor heats fast: seconds only, and a fuse of the branch’s own size.',
  describe: () => 'seized: draws its stall current',
  // The part's own equations know it.
  strike: ({ elements }) => [...elements],
}
