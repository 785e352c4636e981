import { partOfKind } from '../../parts'
import { fuseAmps } from '../amps'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { walkPaths } from '../../model'
import { type Circuit } from '../../circuit'

/** A vehicle asleep takes no more than about this, A (common practice, no source). */
const asleep = 0.05

const batteryAmps = (worked: WorkedCircuit): number => {
  const [first] = worked.walk.strides
  return first ? Math.abs(worked.amps(first.part, first.segment.key)) : 0
}
const fuses = (worked: WorkedCircuit): Shown[] =>
  (worked.readings()?.fuses ?? []).map(({ part, value }) => ({
    what: say('handbook.fuseDrop', { part }),
    value,
    unit: 'V' as const,
    part,
  }))
/** Amps through each fuse that feeds a branch of its own; the main fuse carries all of them. */
const carried = (worked: WorkedCircuit) =>
  fuseAmps(worked).filter(({ amps }) => Math.abs(amps) > 0.5 * asleep)

/** Whatever hangs behind the fuse that carries most beyond a sound one. */
function behind(worked: WorkedCircuit): string[] {
  const sound = new Map(fuseAmps(worked.sound).map(({ part, amps }) => [part, amps]))
  const [worst] = fuseAmps(worked)
    .map(({ part, amps }) => ({ part, more: Math.abs(amps) - Math.abs(sound.get(part) ?? 0) }))
    .sort((a, b) => b.more - a.more)
  if (!worst || worst.more < 0.01) return []
  const found = new Set<string>()
  for (const { strides } of walkPaths(worked.circuit)) {
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
  title: 'procedures.drainThree.title',
  words: ['parasitic', 'battery flat', 'sleep', 'clamp', 'fuse millivolts'],
  about: 'procedures.drainThree.about',
  when: 'procedures.drainThree.when',
  cautions: ['batteries', 'neverAcrossSource'],
  source: 'procedures.drainThree.source',
  paths: protecting,
  steps: [
    {
      key: 'sleep',
      do: 'procedures.drainThree.keyOffDoorsLatchedOr',
      reads: (worked) => [
        { what: say('handbook.clampBattery'), value: batteryAmps(worked), unit: 'A' },
        { what: say('handbook.seriesAmps'), value: batteryAmps(worked), unit: 'A' },
      ],
      outcomes: [
        {
          when: 'procedures.drainThree.upToAbout50Ma',
          means: 'procedures.drainThree.thatIsWhatSleepingModules',
          is: ([clamp], worked) =>
            Math.abs(clamp?.value ?? 0) <= Math.max(asleep, 1.2 * batteryAmps(worked.sound)),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.drainThree.more',
          means: 'procedures.drainThree.aDrainWhichBranch',
          next: { step: 'fuses' },
        },
      ],
    },
    {
      key: 'fuses',
      do: 'procedures.drainThree.millivoltsAcrossEveryFuseOn',
      reads: fuses,
      outcomes: [
        {
          when: 'procedures.drainThree.oneFuseHasMillivoltsThat',
          means: 'procedures.drainThree.thatBranchAFuseBefore',
          is: (_, worked) => carried(worked).length > 0 && behind(worked).length > 0,
          next: { step: 'branch' },
        },
        {
          when: 'procedures.drainThree.noneHasAny',
          means: 'procedures.drainThree.theDrainIsBeforeThe',
          next: { end: 'found', parts: (worked) => [worked.circuit.parts[0]?.id ?? ''] },
        },
      ],
    },
    {
      key: 'branch',
      do: 'procedures.drainThree.behindThatFuseUnplugOne',
      reads: (worked) =>
        fuseAmps(worked).map(({ part, amps }) => ({
          what: say('handbook.clampAt', { part }),
          value: amps,
          unit: 'A',
          part,
        })),
      outcomes: [
        {
          when: 'procedures.drainThree.itGoesWithOneOf',
          means: 'procedures.drainThree.whatWasUnpluggedLastOr',
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
