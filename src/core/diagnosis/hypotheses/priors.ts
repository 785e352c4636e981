import type { AnyPart } from '../../parts'

/**
 * Where faults sit, before anything is measured; how common each kind is there, its definition says. Relative weights; all are
 * common practice, no source. They decide what counts as doubt, so each has its reason.
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

/** A size outside what is usual of its kind is made for a lesson rather than met: it weighs a tenth. */
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
