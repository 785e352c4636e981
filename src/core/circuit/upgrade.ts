import { checkUpgrades, lift, type Upgrades } from '../document'
import { circuitFormat, circuitVersion } from './schema'

/**
 * Older documents, one version at a time: `upgrades[n]` turns version n into n + 1. Each is written once and never
 * changed, so that a file of any age comes in.
 */
const upgrades: Upgrades = {
  // Version 2 brought bundles with measuring places, and more to a state; a document of version 1 has neither.
  1: (document) => ({ ...document, version: 2, bundles: [] }),
  // Version 3 stores positions and choices as keys, which another language can name otherwise.
  2: (document) => ({ ...document, version: 3, ...liftWords(document) }),
}
checkUpgrades(circuitFormat, circuitVersion, upgrades)

/** The document as the current version has it; what is no document of ours is handed on as it is, for the schema to refuse. */
export const upgradeDocument = (input: unknown): unknown =>
  isDocument(input) && input.version >= 1 && input.version < circuitVersion
    ? { ...lift(input, input.version, circuitVersion, upgrades), format: circuitFormat }
    : input

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

const positions = { 'pedal up': 'pedalUp', 'pedal down': 'pedalDown' }
const choices = {
  reset: { 'by itself': 'itself', 'by hand': 'hand' },
  numbering: { DIN: 'din', '1 to 5': 'oneToFive' },
  signalPull: { 'to 5 V': 'to5V' },
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
/** Each record of a list; what is none is for the door to refuse. */
const mapOf = (value: unknown, lift: (one: Record<string, unknown>) => unknown): unknown =>
  Array.isArray(value) ? value.map((one: unknown) => (isRecord(one) ? lift(one) : one)) : value

/** Words of an older version in place of which there are keys; `*` goes for every name. What is no word stays. */
function lifted(values: unknown, words: Readonly<Record<string, Readonly<Record<string, string>>>>): unknown {
  if (!isRecord(values)) return values
  return Object.fromEntries(
    Object.entries(values).map(([name, value]) => {
      const known = words[name] ?? words['*']
      return [name, typeof value === 'string' ? (known?.[value] ?? value) : value]
    }),
  )
}

/** Parts and states by the words of before version 3, with keys in their place. */
export const liftWords = ({ parts, states }: Readonly<Record<string, unknown>>) => ({
  parts: mapOf(parts, (part) => ({ ...part, parameters: lifted(part.parameters, choices) })),
  states: mapOf(states, (state) => ({ ...state, controls: liftControls(state.controls) })),
})

/** One value of a part, likewise. */
export const liftChoice = (name: string, value: unknown): unknown => {
  const words: Readonly<Record<string, Readonly<Record<string, string>>>> = choices
  return typeof value === 'string' ? (words[name]?.[value] ?? value) : value
}

/** An arrangement of controls by their names of before version 3, as keys. */
export const liftControls = (controls: unknown): unknown => lifted(controls, { '*': positions })
