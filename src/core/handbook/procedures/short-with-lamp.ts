import { findPart } from '../../model'
import { segmentAmps } from '../../board'
import { partOfKind } from '../../parts'
import type { CircuitState } from '../../circuit'
import { glows, isLit } from '../measure'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { loaded } from './paths'

const lampAmps = 2

/** The fuse of the path, and its two ends. */
function fuseOf(worked: WorkedCircuit) {
  const protects = (id: string) => {
    const part = findPart(worked.circuit, id)
    return part !== undefined && partOfKind(part.kind).role === 'protection'
  }
  const on = worked.walk.strides.filter(({ part }) => protects(part))
  const id = on.at(-1)?.part ?? ''
  const own = on.filter(({ part }) => part === id)
  return { id, red: own[0]?.from.node ?? 0, black: own.at(-1)?.to.node ?? 0 }
}

/** Fuse out, every load that has a plug unplugged: what still flows has no business to. */
const cleared = (worked: WorkedCircuit): Partial<CircuitState> => ({
  detached: [
    ...new Set([
      ...worked.state.detached,
      fuseOf(worked).id,
      ...worked.circuit.parts
        .filter(({ kind }) => partOfKind(kind).role === 'load' && partOfKind(kind).detach)
        .map(({ id }) => id),
    ]),
  ],
})

const across = (worked: WorkedCircuit, more: readonly string[] = []) => {
  const { red, black } = fuseOf(worked)
  const change = cleared(worked)
  return worked.lamp(red, black, lampAmps, { detached: [...(change.detached ?? []), ...more] })
}

const lampForFuse = (worked: WorkedCircuit): Shown =>
  glows(
    say('handbook.lampForFuse', { amps: { value: lampAmps, unit: 'A' }, part: fuseOf(worked).id }),
    across(worked).glow,
    fuseOf(worked).id,
  )

/** Switches and connectors of the path that can be opened, from its far end. */
const breaks = (worked: WorkedCircuit): string[] =>
  [...new Set(worked.walk.strides.map(({ part }) => part))]
    .filter((id) => {
      const part = findPart(worked.circuit, id)
      return part && partOfKind(part.kind).role === 'connection' && partOfKind(part.kind).detach
    })
    .reverse()

const unplugged = (worked: WorkedCircuit): Shown[] =>
  breaks(worked).map((id) =>
    glows(say('handbook.lampUnplugged', { part: id }), across(worked, [id]).glow, id),
  )

/** Amps along the feed while the lamp hangs in the fuse's place. */
function clamped(worked: WorkedCircuit): Shown[] {
  const { lit } = across(worked)
  const behind = worked.walk.strides.filter(({ side }) => side === 'feed')
  const from = behind.findLastIndex(({ part }) => part === fuseOf(worked).id) + 1
  return behind.slice(from).map((stride) => ({
    what: say('handbook.clampAt', { part: stride.part }),
    value: lit ? segmentAmps(lit.board, lit.point, stride.part, stride.segment.key) : 0,
    unit: 'A',
    part: stride.part,
  }))
}

/** The pieces between the last that carries the lamp's current and the first that does not. */
function between(got: readonly Shown[], worked: WorkedCircuit): string[] {
  const at = got.findLastIndex(({ value }) => Math.abs(value ?? 0) > 0.25 * lampAmps)
  const parts = [at < 0 ? fuseOf(worked).id : got[at]!.part, got[at + 1]?.part]
  return parts.filter((id) => id !== undefined)
}

export const shortWithLamp: Procedure = {
  key: 'shortWithLamp',
  title: 'procedures.shortWithLamp.title',
  words: ['blown fuse', 'short to ground', 'halving', 'current clamp'],
  about: 'procedures.shortWithLamp.about',
  when: 'procedures.shortWithLamp.when',
  cautions: ['fuseJumpers', 'hot', 'heatInTime'],
  source: 'procedures.commonPracticeNoSource',
  paths: loaded,
  steps: [
    {
      key: 'lamp',
      do: 'procedures.shortWithLamp.fuseOutLoadsOfThis',
      reads: (worked) => [lampForFuse(worked)],
      outcomes: [
        {
          when: 'procedures.itShines',
          means: 'procedures.shortWithLamp.currentFlowsWithNoLoad',
          is: (got) => isLit(got[0]),
          next: { step: 'unplug' },
        },
        {
          when: 'procedures.dark',
          means: 'procedures.shortWithLamp.noShortWithTheLoads',
          next: { end: 'sound' },
        },
      ],
    },
    {
      key: 'unplug',
      do: 'procedures.shortWithLamp.openTheConnectorsOfThe',
      reads: unplugged,
      outcomes: [
        {
          when: 'procedures.shortWithLamp.itGoesOutAtOne',
          means: 'procedures.shortWithLamp.theShortIsBehindIt',
          is: (got) => got.some((one) => !isLit(one)),
          next: { step: 'clamp' },
        },
        {
          when: 'procedures.shortWithLamp.itStaysLitAtAll',
          means: 'procedures.shortWithLamp.theShortIsBetweenThe',
          next: { step: 'clamp' },
        },
      ],
    },
    {
      key: 'clamp',
      do: 'procedures.shortWithLamp.everythingPluggedAgainAsIn',
      reads: clamped,
      outcomes: [
        {
          when: 'procedures.shortWithLamp.theLampsCurrentUpTo',
          means: 'procedures.shortWithLamp.thereItLeavesTheWire',
          next: { end: 'found', parts: (worked, got) => between(got, worked), then: 'wireRepair' },
        },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-side-harness',
    state: 'work',
    path: '',
    faults: [{ kind: 'shortToGround', part: 'W4', segment: 'copper', severity: 0.05 }],
  },
}
