import { partOfKind } from '../../parts'
import { fuseAmps } from '../amps'
import { say } from '../phrases'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { walkPaths } from '../../model'
import { type Circuit } from '../../circuit'

/** A vehicle asleep takes no more than about this, A (common practice, no source). */
const asleep = 0.05

const batteryAmps = (stand: Stand): number => {
  const [first] = stand.walk.strides
  return first ? Math.abs(stand.amps(first.part, first.segment.key)) : 0
}
const fuses = (stand: Stand): Shown[] =>
  (stand.readings()?.fuses ?? []).map(({ part, value }) => ({
    what: say('fuseDrop', { part }),
    value,
    unit: 'V' as const,
    part,
  }))
/** Amps through each fuse that feeds a branch of its own; the main fuse carries all of them. */
const carried = (stand: Stand) => fuseAmps(stand).filter(({ amps }) => Math.abs(amps) > 0.5 * asleep)

/** Whatever hangs behind the fuse that carries most beyond a sound one. */
function behind(stand: Stand): string[] {
  const sound = new Map(fuseAmps(stand.sound).map(({ part, amps }) => [part, amps]))
  const [worst] = fuseAmps(stand)
    .map(({ part, amps }) => ({ part, more: Math.abs(amps) - Math.abs(sound.get(part) ?? 0) }))
    .sort((a, b) => b.more - a.more)
  if (!worst || worst.more < 0.01) return []
  const found = new Set<string>()
  for (const { strides } of walkPaths(stand.circuit)) {
    const at = strides.findLastIndex(({ part }) => part === worst.part)
    if (at >= 0) for (const { part, side } of strides.slice(at)) if (side !== 'return') found.add(part)
  }
  return [...found]
}

const protecting = (circuit: Circuit): string[] => {
  const fused = circuit.parts.filter(({ kind }) => partOfKind(kind).role === 'protection').length
  const first = walkPaths(circuit)[0]
  return fused >= 3 && first ? [first.path.id] : []
}

export const drainThree: Procedure = {
  key: 'drainThree',
  title: 'A key-off drain, three ways',
  words: ['parasitic', 'battery flat', 'sleep', 'clamp', 'fuse millivolts'],
  about:
    'Clamp, ammeter in series, millivolts across the fuses: all three measure the same current. They differ in what they disturb and how small a drain they see.',
  when: 'A battery that goes flat overnight. Fuses’ millivolts first: nothing is opened and nothing wakes. The clamp for what is above some tens of milliamps. The ammeter in series where milliamps count: bridged while it is put in, or the modules wake.',
  cautions: ['batteries', 'neverAcrossSource'],
  source: 'Common practice, no source; sleep below about 50 mA: common practice too',
  paths: protecting,
  steps: [
    {
      key: 'sleep',
      do: 'Key off, doors latched or their switches closed by hand, bonnet switch too; wait until the modules sleep: half an hour or what the maker says.',
      reads: (stand) => [
        { what: say('clampBattery'), value: batteryAmps(stand), unit: 'A' },
        { what: say('seriesAmps'), value: batteryAmps(stand), unit: 'A' },
      ],
      outcomes: [
        {
          when: 'Up to about 50 mA',
          means:
            'That is what sleeping modules take. No drain now: if the battery still goes flat, something wakes at times.',
          is: ([clamp], stand) =>
            Math.abs(clamp?.value ?? 0) <= Math.max(asleep, 1.2 * batteryAmps(stand.sound)),
          next: { end: 'sound' },
        },
        { when: 'More', means: 'A drain. Which branch?', next: { step: 'fuses' } },
      ],
    },
    {
      key: 'fuses',
      do: 'Millivolts across every fuse, on the test points of its back, none pulled. The table of its type and rating makes amps of them.',
      reads: fuses,
      outcomes: [
        {
          when: 'One fuse has millivolts that a sleeping branch has not',
          means: 'That branch. A fuse before others carries their sum.',
          is: (_, stand) => carried(stand).length > 0 && behind(stand).length > 0,
          next: { step: 'branch' },
        },
        {
          when: 'None has any',
          means: 'The drain is before the fuses: alternator, starter, their cables. Clamp them.',
          next: { end: 'found', parts: (stand) => [stand.circuit.parts[0]?.id ?? ''] },
        },
      ],
    },
    {
      key: 'branch',
      do: 'Behind that fuse: unplug one after the other with the clamp on, or watch the fuse’s millivolts, until the current is gone.',
      reads: (stand) =>
        fuseAmps(stand).map(({ part, amps }) => ({
          what: say('clampAt', { part }),
          value: amps,
          unit: 'A',
          part,
        })),
      outcomes: [
        {
          when: 'It goes with one of them',
          means: 'What was unplugged last, or what holds it awake.',
          next: { end: 'found', parts: behind },
        },
      ],
    },
  ],
  example: {
    circuit: 'van-key-off-drain',
    state: 'asleep',
    path: 'body',
    faults: [{ kind: 'welded', part: 'S1', segment: 'contacts' }],
  },
}
