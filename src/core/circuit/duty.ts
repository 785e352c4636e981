import { partOfKind } from '../parts'
import type { Circuit, Duty } from './schema'

/** What the circuit is for, where it does not say: by what is built into it, the heaviest first. */
export function dutyOf({ duty, parts }: Pick<Circuit, 'duty' | 'parts'>): Duty {
  if (duty) return duty
  const has = (test: (part: ReturnType<typeof partOfKind>) => boolean) =>
    parts.some(({ kind }) => test(partOfKind(kind)))
  const segments = (part: ReturnType<typeof partOfKind>, type: string) =>
    part.segments.some(({ inTime }) => inTime?.type === type)
  if (has((part) => part.generates === true || segments(part, 'starter'))) return 'heavy'
  if (has((part) => segments(part, 'motor'))) return 'motor'
  if (has((part) => part.terminals.some(({ sensitive }) => sensitive))) return 'electronic'
  return 'light'
}
