import { partOfKind } from '../parts'
import type { Part } from './schema'

/**
 * Section of a part that is a length of copper, mm²; undefined for what is none.
 * @returns mm²
 */
export function copperArea({ kind, parameters }: Part): number | undefined {
  const { cable } = partOfKind(kind)
  const section = cable && parameters[cable.section]
  return typeof section === 'number' ? section : undefined
}
