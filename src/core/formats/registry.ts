import { Registry } from '../registry'
import type { Format } from './format'
import { circuitJson } from './kinds/circuit-json'
import { netlist } from './kinds/netlist'
import { readingsCsv } from './kinds/readings-csv'

/** Every format there is. A new one is its file and its line here. */
export const formats: readonly Format[] = [readingsCsv, circuitJson, netlist]

const registry = new Registry<Format>('format', formats, ({ key }) => key)
/** The format of a key; undefined where there is none. */
export const findFormat = (key: string): Format | undefined => registry.find(key)

/** The format of a file by its ending, or else by what its text looks like; our own where nothing tells. */
export function formatFor(name: string, text: string): Format & Required<Pick<Format, 'read'>> {
  const able = formats.filter((f): f is Format & Required<Pick<Format, 'read'>> => f.read !== undefined)
  const ending = /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase()
  return (
    able.find((f) => ending !== undefined && f.endings.includes(ending)) ??
    able.find((f) => f.looksLike?.(text)) ??
    able.find((f) => f === circuitJson) ??
    able[0]!
  )
}
