import { walkPaths, type Walk } from '../../model'
import { type Circuit } from '../../circuit'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { isAbout } from './paths'

const isModule = (circuit: Circuit, id: string | undefined) =>
  id !== undefined && isAbout(circuit, id, 'modulePowers')

/** Paths that run from a supply pin to a ground pin of a module. */
const supplies = (circuit: Circuit): Walk[] =>
  walkPaths(circuit).filter(({ strides, load }) => {
    const inside = strides.filter(({ side }) => side === 'load')
    return isModule(circuit, load) && inside.every(({ segment }) => /^(supply|ignition)/.test(segment.key))
  })

interface Pin {
  readonly walk: Walk
  readonly feed: number
  readonly back: number
  readonly feedName: string
  readonly backName: string
}
const pins = (worked: WorkedCircuit): Pin[] =>
  supplies(worked.circuit).map((walk) => {
    // From outside the housing: the terminals of its plug.
    const own = walk.strides.filter(({ part }) => part === walk.load)
    const [first, last] = [own[0]!, own.at(-1)!]
    return {
      walk,
      feed: first.from.node,
      back: last.to.node,
      feedName: first.from.name,
      backName: last.to.name,
    }
  })

/** Volts that a pin may lack, or a ground may have, while the module works (common practice, no source). */
const most = { supply: 0.5, ground: 0.05 }

const supplyOf = (worked: WorkedCircuit): Shown[] =>
  pins(worked).map(({ feed, feedName, walk }) => ({
    what: say('handbook.pointToMinus', { point: feedName }),
    value: worked.volts(feed, worked.posts[1]),
    unit: 'V',
    ...(walk.load && { part: walk.load }),
  }))
const groundOf = (worked: WorkedCircuit): Shown[] =>
  pins(worked).map(({ back, backName, walk }) => ({
    what: say('handbook.pointToMinus', { point: backName }),
    value: worked.volts(back, worked.posts[1]),
    unit: 'V',
    ...(walk.load && { part: walk.load }),
  }))
const source = (worked: WorkedCircuit) => worked.volts(...worked.posts) ?? 0

const badSupply = (got: readonly Shown[], worked: WorkedCircuit) =>
  got.findIndex(({ value }) => source(worked) - (value ?? 0) > most.supply)
const badGround = (got: readonly Shown[]) => got.findIndex(({ value }) => Math.abs(value ?? 99) > most.ground)

const side = (worked: WorkedCircuit, nth: number, which: 'feed' | 'return') =>
  (pins(worked)[nth]?.walk.strides ?? []).filter((stride) => stride.side === which).map(({ part }) => part)

export const modulePowers: Procedure = {
  key: 'modulePowers',
  title: 'procedures.modulePowers.title',
  words: ['module', 'control unit', 'pin by pin', 'supply', 'ground'],
  about: 'procedures.modulePowers.about',
  when: 'procedures.modulePowers.when',
  cautions: ['noLoadIntoModules', 'outOfBounds'],
  source: 'procedures.commonPracticeNoSource',
  paths: (circuit) => supplies(circuit).map(({ path }) => path.id),
  steps: [
    {
      key: 'supplies',
      do: 'procedures.modulePowers.plugOnBackProbedEverything',
      reads: supplyOf,
      outcomes: [
        {
          when: 'procedures.modulePowers.oneLacksMoreThanHalf',
          means: 'procedures.modulePowers.theWayToThatPin',
          is: (got, worked) => badSupply(got, worked) >= 0,
          next: {
            end: 'found',
            parts: (worked, got) => side(worked, badSupply(got, worked), 'feed'),
            then: 'pointByPoint',
          },
        },
        {
          when: 'procedures.modulePowers.allWithinHalfAVolt',
          means: 'procedures.modulePowers.itIsSupplied',
          next: { step: 'grounds' },
        },
      ],
    },
    {
      key: 'grounds',
      do: 'procedures.modulePowers.eachGroundPinToBattery',
      reads: groundOf,
      outcomes: [
        {
          when: 'procedures.modulePowers.oneHasMoreThanAbout',
          means: 'procedures.modulePowers.thatGroundItsTerminalIts',
          is: (got) => badGround(got) >= 0,
          next: {
            end: 'found',
            parts: (worked, got) => side(worked, badGround(got), 'return'),
            then: 'groundsThree',
          },
        },
        {
          when: 'procedures.modulePowers.allBelowAbout50Mv',
          means: 'procedures.modulePowers.suppliesAndGroundsCarryThen',
          next: { end: 'sound' },
        },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-module-powers',
    state: 'sweep',
    path: 'battery',
    faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }],
  },
}
