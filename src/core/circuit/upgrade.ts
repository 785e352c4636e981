import { circuitFormat, circuitVersion } from './schema'

/**
 * Older documents, one version at a time: `upgrades[n]` turns version n into n + 1. Each is written once and never
 * changed, so that a file of any age comes in.
 */
const upgrades: Readonly<Record<number, (document: Record<string, unknown>) => Record<string, unknown>>> = {
  // Version 2 brought bundles with measuring places, and more to a state; a document of version 1 has neither.
  1: (document) => ({ ...document, version: 2, bundles: [] }),
}

/** The document as the current version has it; what is no document of ours is handed on as it is. */
export function upgradeDocument(input: unknown): unknown {
  if (!isDocument(input)) return input
  let document = input
  for (let version = document.version; version < circuitVersion; version++) {
    const upgrade = upgrades[version]
    if (!upgrade) return document
    document = { ...upgrade(document), format: circuitFormat, version: version + 1 }
  }
  return document
}

type Document = Record<string, unknown> & { format: string; version: number }

function isDocument(input: unknown): input is Document {
  return (
    typeof input === 'object' &&
    input !== null &&
    'format' in input &&
    input.format === circuitFormat &&
    'version' in input &&
    typeof input.version === 'number' &&
    Number.isInteger(input.version)
  )
}
