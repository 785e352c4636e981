import type { Words } from '../../document'
import type { AnyPart, Segment } from '../../parts'

/** A way to put a piece right, as a workshop does it. */
export interface Repair<K extends string = string> {
  readonly key: K
  readonly title: Words
  readonly about: Words
  /** Whether anybody would do that to such a piece. */
  readonly fits: (segment: Segment, part: AnyPart) => boolean
  /** Minutes at the bench, the place being open (common practice, no source). */
  readonly minutes: number
  /** A new part or wire goes in: it is counted. */
  readonly consumes?: true
  /** Its joints are taken apart and put together again, which hides what a loose one does. */
  readonly reseats?: true
}

export const defineRepair = <const K extends string>(repair: Repair<K>): Repair<K> => repair

/** Metal on metal that can be taken apart: terminals, eyelets, clamps, contacts of sockets. */
export const isJoint = (segment: Segment, part: AnyPart): boolean =>
  !isWire(segment, part) &&
  !part.loads?.includes(segment.key) &&
  (segment.faults.includes('corroded') || segment.faults.includes('slack'))

/** A ground point, strap or metal of the return. */
export const isGround = ({ topic }: AnyPart): boolean => topic === 'grounds'

/** The conductor of a wire or cable itself. */
export const isWire = (segment: Segment, { cable, protects }: AnyPart): boolean =>
  cable?.segment === segment.key && protects === undefined
