import { big, does, piecesOf, sideLoss } from '../measure'
import { say } from '../phrases'
import type { Procedure } from '../procedure'
import type { Stand } from '../stand'
import { loaded } from './paths'

const ohmsToMinus = (stand: Stand) => {
  const [, back] = stand.loadNodes
  const off = { ...stand.unplugged, controls: {} }
  return stand.ohms(back, stand.posts[1], off)
}
/** Loss of the whole circuit with a second ground wire from the load’s return to battery −. */
const helped = (stand: Stand): number | undefined => {
  const [feed, back] = stand.loadNodes
  return stand.voltsBridged(feed, back, back, stand.posts[1])
}

export const groundsThree: Procedure = {
  key: 'groundsThree',
  title: 'Grounds: by drop, by ohms, by a supplemental wire',
  words: ['ground', 'earth', 'return', 'eyelet', 'bolt', 'chassis'],
  about:
    'Returns and grounds fail more often than feeds. Drop under load judges; ohms find the bolt; a wire beside it proves it.',
  when: 'Several things misbehave together, or the return loses too much.',
  cautions: ['disconnectBeforeOhms', 'fuseJumpers'],
  source: 'Common practice, no source: 0.0 to 0.3 Ω good, above 1.5 Ω at a panel bolt poor',
  paths: loaded,
  steps: [
    {
      key: 'drop',
      do: 'Circuit on: load’s return terminal to battery − post.',
      reads: (stand) => [sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'Within the limit, and not zero',
          means: 'The ground carries this load.',
          is: ([back], stand) =>
            !big(back, stand.most('return')) && Math.abs(stand.balance?.amps ?? 0) > 1e-3,
          next: { end: 'sound' },
        },
        {
          when: 'More; or the source, where it is open',
          means: 'The return. By ohms: how bad, and where.',
          next: { step: 'ohms' },
        },
      ],
    },
    {
      key: 'ohms',
      do: 'Circuit off, load unplugged: ohms from its return terminal to battery −. What the shorted leads show is taken off.',
      reads: (stand) => [
        { what: say('ohmsOf', { what: say('back') }), value: ohmsToMinus(stand), unit: 'Ω' },
      ],
      outcomes: [
        {
          when: '0.0 to 0.3 Ω',
          means:
            'An ohmmeter cannot see a joint of tens of milliohms: the drop has judged already. Go by drops.',
          is: ([ohms]) => (ohms?.value ?? 1e9) <= 0.3,
          next: { step: 'wire' },
        },
        { when: 'More, or OL', means: 'A poor or open ground.', next: { step: 'wire' } },
      ],
    },
    {
      key: 'wire',
      do: 'A supplemental wire, fused like the circuit, from the load’s return terminal to battery −, circuit on.',
      reads: (stand) => [
        { what: say('atLoad', { part: stand.load }), value: helped(stand), unit: 'V', part: stand.load },
        does(stand.sound),
      ],
      outcomes: [
        {
          when: 'The load has its volts again',
          means: 'Proved: the ground. Take the wire off and go along it, eyelet, nut and stud, sheet metal.',
          is: (got, stand) => (got[0]?.value ?? 0) > (stand.balance?.loadDrop.value ?? 0) + 0.1,
          next: { step: 'pieces' },
        },
        {
          when: 'No change',
          means: 'The return was not what held it back: back to the four measurements.',
          next: { end: 'sound', then: 'fourDrops' },
        },
      ],
    },
    {
      key: 'pieces',
      do: 'Each piece of the return by itself, circuit on.',
      reads: (stand) => piecesOf(stand, 'return'),
      outcomes: [
        {
          when: 'One has most of it',
          means: 'Clean to bare metal, tighten, protect, and take the drop again.',
          next: { end: 'found', parts: (stand) => [stand.worst('return')?.part ?? ''], then: 'proof' },
        },
      ],
    },
  ],
  example: {
    circuit: 'gritter-spinner-lights',
    state: 'both',
    path: '',
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'foot', severity: 0.6 }],
  },
}
