import { alone, does, glows, isLit } from '../measure'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import type { DropRow } from '../../readings'
import { loaded } from './paths'

/** Ammeter scale of the lamp that proves a way: heavy enough to need more than a strand. */
const lampAmps = 1

const pointsOf = (worked: WorkedCircuit, side: 'feed' | 'return'): readonly DropRow[] => worked.pieces(side)

/** Halves of a side, until one piece is left: what is read at each, and the piece. */
function halves(
  worked: WorkedCircuit,
  side: 'feed' | 'return',
): { got: Shown[]; piece: DropRow | undefined } {
  const rows = pointsOf(worked, side)
  const walk = worked.walk.strides.filter((stride) => stride.side === side)
  const [plus, minus] = worked.posts
  const good = (node: number) => {
    const volts = side === 'feed' ? worked.volts(node, minus) : worked.volts(plus, node)
    return Math.abs(volts ?? 0) > 0.8 * worked.nominal
  }
  let low = 0
  let high = walk.length
  const got: Shown[] = []
  while (high - low > 1) {
    const middle = (low + high) >> 1
    const stride = walk[middle]!
    const { node, name } = stride.from
    const volts = side === 'feed' ? worked.volts(node, minus) : worked.volts(plus, node)
    got.push({
      what: say(side === 'feed' ? 'handbook.pointToMinus' : 'handbook.pointToPlus', { point: name }),
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
const dead = (worked: WorkedCircuit) => Math.abs(worked.balance?.amps ?? 0) < 1e-3

const lampFeed = (worked: WorkedCircuit): Shown => {
  const [feed] = worked.loadNodes
  const point = worked.walk.strides.find(({ side }) => side === 'load')?.from.name ?? ''
  const { glow } = worked.lamp(feed, worked.posts[1], lampAmps)
  return glows(say('handbook.lampFeed', { point }), glow)
}
const lampReturn = (worked: WorkedCircuit): Shown => {
  const [, back] = worked.loadNodes
  const point = worked.walk.strides.findLast(({ side }) => side === 'load')?.to.name ?? ''
  const { glow } = worked.lamp(worked.posts[0], back, lampAmps)
  return glows(say('handbook.lampReturn', { point }), glow)
}

export const openByHalves: Procedure = {
  key: 'openByHalves',
  title: 'procedures.openByHalves.title',
  words: ['dead', 'open circuit', 'test lamp', 'continuity', 'split'],
  about: 'procedures.openByHalves.about',
  when: 'procedures.openByHalves.when',
  cautions: ['disconnectBeforeOhms', 'noLoadIntoModules'],
  source: 'procedures.commonPracticeNoSource',
  paths: loaded,
  steps: [
    {
      key: 'verify',
      do: 'procedures.openByHalves.switchOnAndLookFuse',
      reads: (worked) => [does(worked)],
      outcomes: [
        {
          when: 'procedures.openByHalves.itWorks',
          means: 'procedures.openByHalves.thereIsNoOpenNow',
          is: (_, worked) => !dead(worked),
          next: { end: 'sound', then: 'intermittent' },
        },
        {
          when: 'procedures.openByHalves.itIsDead',
          means: 'procedures.openByHalves.anOpenFeedLoadOr',
          next: { step: 'lampFeed' },
        },
      ],
    },
    {
      key: 'lampFeed',
      do: 'procedures.openByHalves.aLampOfOneAmpere',
      reads: (worked) => [lampFeed(worked)],
      outcomes: [
        {
          when: 'procedures.itShines',
          means: 'procedures.openByHalves.theFeedCarriesAnAmpere',
          is: (got) => isLit(got[0]),
          next: { step: 'lampReturn' },
        },
        {
          when: 'procedures.dark',
          means: 'procedures.openByHalves.theOpenIsInThe',
          next: { step: 'halveFeed' },
        },
      ],
    },
    {
      key: 'lampReturn',
      do: 'procedures.openByHalves.theSameLampFromBattery',
      reads: (worked) => [lampReturn(worked)],
      outcomes: [
        {
          when: 'procedures.itShines',
          means: 'procedures.openByHalves.feedAndReturnBothCarry',
          is: (got) => isLit(got[0]),
          next: { end: 'found', parts: (worked) => [worked.load] },
        },
        {
          when: 'procedures.dark',
          means: 'procedures.openByHalves.theOpenIsInTheReturn',
          next: { step: 'halveReturn' },
        },
      ],
    },
    {
      key: 'halveFeed',
      do: 'procedures.openByHalves.voltsToBatteryInThe',
      reads: (worked) => halves(worked, 'feed').got,
      outcomes: [
        {
          when: 'procedures.openByHalves.sourceAtOnePointNothing',
          means: 'procedures.openByHalves.theOpenIsBetweenThem',
          next: { step: 'segmentFeed' },
        },
      ],
    },
    {
      key: 'halveReturn',
      do: 'procedures.openByHalves.voltsFromBatteryInThe',
      reads: (worked) => halves(worked, 'return').got,
      outcomes: [
        {
          when: 'procedures.openByHalves.sourceAtOnePointNothing',
          means: 'procedures.openByHalves.theOpenIsBetweenThemWhere',
          next: { step: 'segmentReturn' },
        },
      ],
    },
    {
      key: 'segmentFeed',
      do: 'procedures.openByHalves.thatPieceAloneBothEnds',
      reads: (worked) => alone(worked, halves(worked, 'feed').piece?.part ?? ''),
      outcomes: [
        {
          when: 'procedures.openByHalves.olOrLampAndVolts',
          means: 'procedures.openByHalves.thePieceIsOpen',
          next: {
            end: 'found',
            parts: (worked) => [halves(worked, 'feed').piece?.part ?? ''],
            then: 'wireRepair',
          },
        },
      ],
    },
    {
      key: 'segmentReturn',
      do: 'procedures.openByHalves.thatPieceAloneBothEnds',
      reads: (worked) => alone(worked, halves(worked, 'return').piece?.part ?? ''),
      outcomes: [
        {
          when: 'procedures.openByHalves.olOrLampAndVolts',
          means: 'procedures.openByHalves.thePieceIsOpen',
          next: {
            end: 'found',
            parts: (worked) => [halves(worked, 'return').piece?.part ?? ''],
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
