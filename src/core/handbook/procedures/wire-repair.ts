import { piecesOf, big } from '../measure'
import type { Procedure } from '../procedure'
import type { Stand } from '../stand'
import { loaded } from './paths'

const wires = (stand: Stand) =>
  [...stand.pieces('feed'), ...stand.pieces('return')].filter(({ part }) => /^W/.test(part))
const worst = (stand: Stand) => stand.worst('feed') ?? stand.worst('return')

export const wireRepair: Procedure = {
  key: 'wireRepair',
  title: 'Repairing a wire: sealed crimp, or twist and solder',
  words: ['crimp', 'solder', 'heat shrink', 'sleeve', 'splice'],
  about:
    'Two schools. Crimp in a sealed sleeve: no heat at the strands, stays flexible, wants the right sleeve and tool. Twist, solder, sleeve with glue: lowest resistance, but stiff where the solder ends. Both are good where they are done well; some makers allow only one, some neither.',
  when: 'A wire is open, corroded or chafed.',
  cautions: ['batteries', 'disconnectBeforeOhms', 'outOfBounds'],
  source:
    'Common practice, no source; what the maker allows comes first. Restraint and high-voltage wiring: never',
  paths: loaded,
  steps: [
    {
      key: 'cut',
      do: 'Strap off. Back to bright copper: green or black strands are cut off until they shine. The same section or the next larger for what is put in; joints of neighbouring wires apart from each other.',
      outcomes: [
        { when: 'Bright strands at both ends', means: 'Now one of the two ways.', next: { step: 'join' } },
      ],
    },
    {
      key: 'join',
      do: 'Crimp: sleeve by section, both ends to the stop, the tool that belongs to it, pull, then shrink until the glue shows all round. Solder: sleeve over the wire first, strands spread and twisted in line, heat until the solder runs by itself, no more; sleeve shrunk with glue, and held so that it cannot bend at its end.',
      outcomes: [
        {
          when: 'It holds a firm pull and is tight',
          means: 'Then it is measured.',
          next: { step: 'measure' },
        },
      ],
    },
    {
      key: 'measure',
      do: 'Strap on, circuit on: the drop of the repaired wire from end to end, beside its neighbours.',
      reads: (stand) =>
        [...piecesOf(stand, 'feed'), ...piecesOf(stand, 'return')].filter(({ part }) =>
          wires(stand).some((row) => row.part === part),
        ),
      outcomes: [
        {
          when: 'What a wire of its length and section loses, and not zero',
          means: 'The joint adds nothing that can be read. Prove the whole.',
          is: (got, stand) =>
            !worst(stand) && got.every((one) => !big(one, 0.3)) && Math.abs(stand.balance?.amps ?? 0) > 1e-3,
          next: { end: 'sound', then: 'proof' },
        },
        {
          when: 'Clearly more, or the source',
          means: 'A cold joint, a sleeve of the wrong size, strands that were cut: once more.',
          next: { end: 'found', parts: (stand) => [worst(stand)?.part ?? ''] },
        },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-work-lamp',
    state: 'on',
    path: '',
    faults: [{ kind: 'highResistance', part: 'W5', segment: 'copper', severity: 0.3 }],
  },
}
