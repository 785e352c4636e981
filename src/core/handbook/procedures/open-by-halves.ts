import { alone, does, glows, isLit } from '../measure'
import { say } from '../phrases'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import type { DropRow } from '../../readings'
import { loaded } from './paths'

/** Ammeter scale of the lamp that proves a way: heavy enough to need more than a strand. */
const lampAmps = 1

const pointsOf = (stand: Stand, side: 'feed' | 'return'): readonly DropRow[] => stand.pieces(side)

/** Halves of a side, until one piece is left: what is read at each, and the piece. */
function halves(stand: Stand, side: 'feed' | 'return'): { got: Shown[]; piece: DropRow | undefined } {
  const rows = pointsOf(stand, side)
  const walk = stand.walk.strides.filter((stride) => stride.side === side)
  const [plus, minus] = stand.posts
  const good = (node: number) => {
    const volts = side === 'feed' ? stand.volts(node, minus) : stand.volts(plus, node)
    return Math.abs(volts ?? 0) > 0.8 * stand.nominal
  }
  let low = 0
  let high = walk.length
  const got: Shown[] = []
  while (high - low > 1) {
    const middle = (low + high) >> 1
    const stride = walk[middle]!
    const { node, name } = stride.from
    const volts = side === 'feed' ? stand.volts(node, minus) : stand.volts(plus, node)
    got.push({
      what: say(side === 'feed' ? 'pointToMinus' : 'pointToPlus', { point: name }),
      value: volts,
      unit: 'V',
      part: stride.part,
    })
    // Live on the battery’s side of the open: of a feed from the front, of a return from its end.
    if (good(node) === (side === 'feed')) low = middle
    else high = middle
  }
  const found = walk[low]
  return { got, piece: rows.find((row) => row.part === found?.part && row.segment === found.segment.key) }
}

/** Whether nothing of the path carries current: the open is before the load, behind it, or in it. */
const dead = (stand: Stand) => Math.abs(stand.balance?.amps ?? 0) < 1e-3

const lampFeed = (stand: Stand): Shown => {
  const [feed] = stand.loadNodes
  const point = stand.walk.strides.find(({ side }) => side === 'load')?.from.name ?? ''
  const { glow } = stand.lamp(feed, stand.posts[1], lampAmps)
  return glows(say('lampFeed', { point }), glow)
}
const lampReturn = (stand: Stand): Shown => {
  const [, back] = stand.loadNodes
  const point = stand.walk.strides.findLast(({ side }) => side === 'load')?.to.name ?? ''
  const { glow } = stand.lamp(stand.posts[0], back, lampAmps)
  return glows(say('lampReturn', { point }), glow)
}

export const openByHalves: Procedure = {
  key: 'openByHalves',
  title: 'An open, by loaded lamp, halves and segments',
  words: ['dead', 'open circuit', 'test lamp', 'continuity', 'split'],
  about:
    'A load that does nothing: a loaded lamp at its connector says which side is open, halving finds the piece in a few readings, continuity of the piece alone confirms it.',
  when: 'Nothing works and nothing draws current.',
  cautions: ['disconnectBeforeOhms', 'noLoadIntoModules'],
  source: 'Common practice, no source',
  paths: loaded,
  steps: [
    {
      key: 'verify',
      do: 'Switch on and look. Fuse first: both of its tabs.',
      reads: (stand) => [does(stand)],
      outcomes: [
        {
          when: 'It works',
          means: 'There is no open now. If it comes and goes, take the way of intermittents.',
          is: (_, stand) => !dead(stand),
          next: { end: 'sound', then: 'intermittent' },
        },
        { when: 'It is dead', means: 'An open: feed, load or return.', next: { step: 'lampFeed' } },
      ],
    },
    {
      key: 'lampFeed',
      do: 'A lamp of one ampere or more from the load’s feed terminal to battery −, circuit on.',
      reads: (stand) => [lampFeed(stand)],
      outcomes: [
        {
          when: 'It shines',
          means: 'The feed carries an ampere up to the load.',
          is: (got) => isLit(got[0]),
          next: { step: 'lampReturn' },
        },
        { when: 'Dark', means: 'The open is in the feed.', next: { step: 'halveFeed' } },
      ],
    },
    {
      key: 'lampReturn',
      do: 'The same lamp from battery + to the load’s return terminal.',
      reads: (stand) => [lampReturn(stand)],
      outcomes: [
        {
          when: 'It shines',
          means:
            'Feed and return both carry an ampere: the load itself is open. OL on the ohmmeter confirms it.',
          is: (got) => isLit(got[0]),
          next: { end: 'found', parts: (stand) => [stand.load] },
        },
        { when: 'Dark', means: 'The open is in the return.', next: { step: 'halveReturn' } },
      ],
    },
    {
      key: 'halveFeed',
      do: 'Volts to battery − in the middle of the feed, then in the middle of the half that is left, and so on.',
      reads: (stand) => halves(stand, 'feed').got,
      outcomes: [
        {
          when: 'Source at one point, nothing at the next',
          means: 'The open is between them.',
          next: { step: 'segmentFeed' },
        },
      ],
    },
    {
      key: 'halveReturn',
      do: 'Volts from battery + in the middle of the return, then in the middle of the half that is left, and so on.',
      reads: (stand) => halves(stand, 'return').got,
      outcomes: [
        {
          when: 'Source at one point, nothing at the next',
          means: 'The open is between them: where battery + reads the source, the way to battery − is whole.',
          next: { step: 'segmentReturn' },
        },
      ],
    },
    {
      key: 'segmentFeed',
      do: 'That piece alone, both ends free: continuity.',
      reads: (stand) => alone(stand, halves(stand, 'feed').piece?.part ?? ''),
      outcomes: [
        {
          when: 'OL, or lamp and volts agree',
          means: 'The piece is open.',
          next: {
            end: 'found',
            parts: (stand) => [halves(stand, 'feed').piece?.part ?? ''],
            then: 'wireRepair',
          },
        },
      ],
    },
    {
      key: 'segmentReturn',
      do: 'That piece alone, both ends free: continuity.',
      reads: (stand) => alone(stand, halves(stand, 'return').piece?.part ?? ''),
      outcomes: [
        {
          when: 'OL, or lamp and volts agree',
          means: 'The piece is open.',
          next: {
            end: 'found',
            parts: (stand) => [halves(stand, 'return').piece?.part ?? ''],
            then: 'wireRepair',
          },
        },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-work-lamp',
    state: 'on',
    path: '',
    faults: [{ kind: 'open', part: 'W4', segment: 'copper' }],
  },
}
