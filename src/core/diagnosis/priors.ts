import type { Fault } from '../faults'
import type { AnyPart } from '../parts'

/**
 * Where faults sit and how common each kind is, before anything is measured. Relative weights; all are common practice,
 * no source. They decide what counts as doubt, so they stand in one table, each with its reason.
 */
export const placeWeights = {
  joint: { weight: 3, why: 'terminals, plugs and ground bolts fail more than anything between them' },
  wire: { weight: 1.5, why: 'a wire fails where it is bent or chafed, less often than its ends' },
  protection: { weight: 1.5, why: 'a fuse goes for a reason, its holder by heat' },
  control: { weight: 1.5, why: 'contacts wear' },
  load: { weight: 1.2, why: 'lamps burn out and motors wear, but most complaints are not the load' },
  source: { weight: 1.2, why: 'a battery ages, and is checked first' },
  module: { weight: 0.3, why: 'almost never the module' },
} as const

/** How often a kind is met beside the others that can strike the same piece: 1 unless it stands here. */
export const kindWeights: Readonly<Partial<Record<Fault['kind'], { weight: number; why: string }>>> = {
  missingPin: { weight: 0.3, why: 'a pin that never was there is found at the first drive' },
  missingFuse: { weight: 0.1, why: 'whoever looks at the fuse box sees it' },
  wrongFuse: { weight: 0.05, why: 'its colour and figures are seen at once' },
  wrongBulb: { weight: 0.05, why: 'an eye sees a weak or glaring lamp and what is printed on it' },
  swapped: { weight: 0.03, why: 'only after somebody has repinned a plug, and unlike plugs do not swap' },
  reversed: { weight: 0.05, why: 'only after somebody has fitted it anew' },
  shortToSupply: { weight: 0.1, why: 'two bare places must meet' },
  shortBetween: { weight: 0.1, why: 'two bare places in one bundle must meet' },
  shortToGround: { weight: 0.5, why: 'a chafed wire, less common than a bad joint' },
  shortedTurns: { weight: 0.3, why: 'windings burn through far more often than they short' },
  inputNotSeen: { weight: 0.5, why: 'inside the module' },
  leaky: { weight: 0.3, why: 'rare beside a lamp or a module that stays on' },
  burnt: { weight: 0.5, why: 'contacts pit late in their life' },
  slack: { weight: 0.5, why: 'shows only while something moves' },
  weak: { weight: 0.5, why: 'seldom beside a load that has failed for good' },
}

/**
 * A short of some odd value in the middle of its range is made for a lesson rather than met: outside `usual` a severity
 * weighs a tenth.
 */
export const usualSeverity: Readonly<Partial<Record<Fault['kind'], readonly [number, number]>>> = {
  shortToGround: [0, 0.3],
  shortToSupply: [0, 0.3],
  shortBetween: [0, 0.3],
}
export const oddSeverity = 0.1

/** A short that draws so much, and that no fuse has stopped, has been smelt: amps beyond the good circuit’s, and what is left of its weight. */
export const smokeAmps = 40
export const smoked = 0.02

/** Beside all faults together: whoever hands a circuit out has planted something. */
export const soundShare = 0.05

export const placeOf = ({ role, cable, scan }: AnyPart, segment: string): keyof typeof placeWeights => {
  if (scan) return 'module'
  if (cable) return cable.segment === segment ? 'wire' : 'joint'
  return role === 'connection' ? 'joint' : role === 'conductor' ? 'wire' : role
}
export const weightOfKind = (kind: Fault['kind']): number => kindWeights[kind]?.weight ?? 1
