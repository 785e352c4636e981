import { findPart } from '../../model'
import { segmentAmps } from '../../board'
import { partOfKind } from '../../parts'
import type { CircuitState } from '../../circuit'
import { glows, isLit } from '../measure'
import { say } from '../phrases'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { loaded } from './paths'

const lampAmps = 2

/** The fuse of the path, and its two ends. */
function fuseOf(stand: Stand) {
  const protects = (id: string) => {
    const part = findPart(stand.circuit, id)
    return part !== undefined && partOfKind(part.kind).role === 'protection'
  }
  const on = stand.walk.strides.filter(({ part }) => protects(part))
  const id = on.at(-1)?.part ?? ''
  const own = on.filter(({ part }) => part === id)
  return { id, red: own[0]?.from.node ?? 0, black: own.at(-1)?.to.node ?? 0 }
}

/** Fuse out, every load that has a plug unplugged: what still flows has no business to. */
const cleared = (stand: Stand): Partial<CircuitState> => ({
  detached: [
    ...new Set([
      ...stand.state.detached,
      fuseOf(stand).id,
      ...stand.circuit.parts
        .filter(({ kind }) => partOfKind(kind).role === 'load' && partOfKind(kind).detach)
        .map(({ id }) => id),
    ]),
  ],
})

const across = (stand: Stand, more: readonly string[] = []) => {
  const { red, black } = fuseOf(stand)
  const change = cleared(stand)
  return stand.lamp(red, black, lampAmps, { detached: [...(change.detached ?? []), ...more] })
}

const lampForFuse = (stand: Stand): Shown =>
  glows(
    say('lampForFuse', { amps: { value: lampAmps, unit: 'A' }, part: fuseOf(stand).id }),
    across(stand).glow,
    fuseOf(stand).id,
  )

/** Switches and connectors of the path that can be opened, from its far end. */
const breaks = (stand: Stand): string[] =>
  [...new Set(stand.walk.strides.map(({ part }) => part))]
    .filter((id) => {
      const part = findPart(stand.circuit, id)
      return part && partOfKind(part.kind).role === 'connection' && partOfKind(part.kind).detach
    })
    .reverse()

const unplugged = (stand: Stand): Shown[] =>
  breaks(stand).map((id) => glows(say('lampUnplugged', { part: id }), across(stand, [id]).glow, id))

/** Amps along the feed while the lamp hangs in the fuse's place. */
function clamped(stand: Stand): Shown[] {
  const { lit } = across(stand)
  const behind = stand.walk.strides.filter(({ side }) => side === 'feed')
  const from = behind.findLastIndex(({ part }) => part === fuseOf(stand).id) + 1
  return behind.slice(from).map((stride) => ({
    what: say('clampAt', { part: stride.part }),
    value: lit ? segmentAmps(lit.board, lit.point, stride.part, stride.segment.key) : 0,
    unit: 'A',
    part: stride.part,
  }))
}

/** The pieces between the last that carries the lamp's current and the first that does not. */
function between(got: readonly Shown[], stand: Stand): string[] {
  const at = got.findLastIndex(({ value }) => Math.abs(value ?? 0) > 0.25 * lampAmps)
  const parts = [at < 0 ? fuseOf(stand).id : got[at]!.part, got[at + 1]?.part]
  return parts.filter((id) => id !== undefined)
}

export const shortWithLamp: Procedure = {
  key: 'shortWithLamp',
  title: 'A short, with a lamp for the fuse and a clamp',
  words: ['blown fuse', 'short to ground', 'halving', 'current clamp'],
  about:
    'A lamp in the fuse’s place limits what flows, so that the short can be looked for at leisure: the lamp says whether it is still there, the clamp how far the current gets.',
  when: 'The fuse blows, at once or again.',
  cautions: ['fuseJumpers', 'hot', 'heatInTime'],
  source: 'Common practice, no source',
  paths: loaded,
  steps: [
    {
      key: 'lamp',
      do: 'Fuse out, loads of this fuse unplugged, controls in the state in which it blew. A load lamp across the fuse’s two ways.',
      reads: (stand) => [lampForFuse(stand)],
      outcomes: [
        {
          when: 'It shines',
          means: 'Current flows with no load there: a short. The lamp carries all of it, and nothing burns.',
          is: (got) => isLit(got[0]),
          next: { step: 'unplug' },
        },
        {
          when: 'Dark',
          means:
            'No short with the loads unplugged. Plug them in one by one: the one that lights it fully is the fault.',
          next: { end: 'sound' },
        },
      ],
    },
    {
      key: 'unplug',
      do: 'Open the connectors of the path, from its far end towards the fuse, and watch the lamp.',
      reads: unplugged,
      outcomes: [
        {
          when: 'It goes out at one of them',
          means: 'The short is behind it, seen from the fuse.',
          is: (got) => got.some((one) => !isLit(one)),
          next: { step: 'clamp' },
        },
        {
          when: 'It stays lit at all of them',
          means: 'The short is between the fuse and the first of them.',
          next: { step: 'clamp' },
        },
      ],
    },
    {
      key: 'clamp',
      do: 'Everything plugged again as in the first step. The clamp round one wire at a time, from the fuse outward.',
      reads: clamped,
      outcomes: [
        {
          when: 'The lamp’s current up to a place, and none past it',
          means: 'There it leaves the wire. Look for what chafes.',
          next: { end: 'found', parts: (stand, got) => between(got, stand), then: 'wireRepair' },
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
