import { readdirSync, readFileSync } from 'node:fs'
import { ruleWords, techniqueRules } from '../src/core/assessment'
import { isMessage, type Words } from '../src/core/document'
import { catalogue } from '../src/core/faults'
import { formats } from '../src/core/formats'
import { calculators, lookUps, presetsOf, procedures } from '../src/core/handbook'
import { instruments } from '../src/core/instruments'
import { wireUp } from '../src/core/model'
import { parts } from '../src/core/parts'
import { limitSets } from '../src/core/readings'
import { languages } from '../src/messages/languages'
import { symbols } from '../src/web/schematic/symbols'
import { demoCircuit, demoNames } from './demo'
import { messagesOf } from './messages'

/** What is missing of what stands in the registries: the file, and what to write there. */

const whole = Object.keys(languages).filter((key) => languages[key]!.whole)
const texts = new Map(whole.map((key) => [key, messagesOf(key)]))
const english = messagesOf('en')
const areas = new Set(Object.keys(english).map((code) => code.slice(0, code.indexOf('.'))))

/** Where a code's text stands: `src/messages/de/parts.json: write "fuse.title"`. */
function lacksText(code: string): string[] {
  const [area, key] = code.startsWith('ui.')
    ? [`ui/${code.split('.')[1]!}`, code.split('.').slice(2).join('.')]
    : [code.slice(0, code.indexOf('.')), code.slice(code.indexOf('.') + 1)]
  return whole
    .filter((language) => texts.get(language)![code] === undefined)
    .map((language) => `src/messages/${language}/${area}.json: write "${key}"`)
}

/** Every code in a definition, however deep; keys of other things have no area before a point. */
function codesIn(of: unknown, found = new Set<string>(), depth = 0): Set<string> {
  if (typeof of === 'string') {
    if (/^\w+(\.[\w ]+)+$/.test(of) && areas.has(of.slice(0, of.indexOf('.')))) found.add(of)
  } else if (typeof of === 'object' && of !== null && depth < 9)
    for (const [key, value] of Object.entries(of)) if (key !== 'parameters') codesIn(value, found, depth + 1)
  return found
}
const wordsOf = (of: unknown): string[] => [...codesIn(of)].flatMap(lacksText)
const said = (words: Words): string[] => (isMessage(words) ? wordsOf(words) : lacksText(words))

/** Where a definition begins: the file, and the line that holds its key. */
function placeOf(folder: string, line: string): string {
  for (const file of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
    if (!file.endsWith('.ts') || file.endsWith('.test.ts')) continue
    const at = readFileSync(`${folder}/${file}`, 'utf8')
      .split('\n')
      .findIndex((text) => text.includes(line))
    if (at >= 0) return `${folder}/${file}:${at + 1}`
  }
  return folder
}

const circuits = demoNames.map((name) => demoCircuit(name))
const handbookKeys = new Set([...procedures, ...calculators, ...lookUps].map(({ key }) => key))
const schema = readFileSync('docs/circuit.schema.json', 'utf8')
const text = (file: string) => readFileSync(file, 'utf8')

function partsLack(): string[] {
  return parts.flatMap((part) => {
    const { kind } = part
    const own = placeOf('src/core/parts', `kind: '${kind}'`)
    const fields = Object.values(part.parameters.shape).map((field) =>
      (field as { meta?: () => unknown }).meta?.(),
    )
    const drawn = part.passes?.map(({ symbol }) => symbol) ?? [part.symbol]
    return [
      ...wordsOf(part),
      ...wordsOf(fields),
      ...(part.positions ?? [])
        .filter((key) => !part.positionNames?.[key])
        .flatMap((key) => lacksText(`parts.position.${key}`)),
      ...(part.modes?.all ?? []).flatMap((mode) => lacksText(`time.does.${mode.split(' ')[0]!}`)),
      ...drawn
        .filter((symbol) => symbols[symbol] === undefined)
        .map((symbol) => `src/web/schematic/symbols.ts: write "${symbol}", the drawing of ${kind}`),
      ...part.seeAlso
        .filter((key) => !handbookKeys.has(key))
        .map((key) => `${own}: seeAlso names "${key}", which the Handbook has not`),
      ...(part.seeAlso.length ? [] : [`${own}: write seeAlso, what the Handbook has about ${kind}`]),
      ...(part.quick.words.length ? [] : [`${own}: write quick.words, what somebody types for ${kind}`]),
      ...(circuits.some((circuit) => circuit.parts.some((one) => one.kind === kind))
        ? []
        : [`demo/circuits: write a circuit with a ${kind}`]),
      ...(schema.includes(`"const": "${kind}"`) ? [] : [`docs/circuit.schema.json: run "npm run schema"`]),
    ]
  })
}

function faultsLack(): string[] {
  return catalogue.flatMap((fault) => {
    const { kind, severity } = fault
    const own = placeOf('src/core/faults', `kind: '${kind}'`)
    const strikes = parts.some((part) =>
      part.segments.some((one) => one.faults.includes(kind) || fault.strikes?.(one, part)),
    )
    return [
      ...wordsOf(fault),
      ...said(fault.describe(severity?.preset ?? 0, { section: 1.5, cold: 0.5 })),
      ...(fault.repairedBy.length ? [] : [`${own}: write repairedBy, what cures ${kind}`]),
      ...(strikes ? [] : [`${own}: write strikes, which segments ${kind} can strike`]),
      ...((fault.heats || fault.family === 'shorts') && !fault.caution
        ? [`${own}: write caution, for ${kind} makes heat or a short`]
        : []),
    ]
  })
}

function instrumentsLack(): string[] {
  return instruments.flatMap((instrument) => {
    const { key, asks } = instrument
    const own = placeOf('src/core/instruments', `key: '${key}'`)
    return [
      ...wordsOf(instrument),
      ...(asks.type === 'word' ? Object.values(asks.words).flatMap(said) : []),
      ...(circuits.some((circuit) => instrument.places(circuit, wireUp(circuit)).length)
        ? []
        : [`${own}: write places, where ${key} makes sense`]),
      ...(instrument.minutes > 0 ? [] : [`${own}: write minutes, how long a test with ${key} takes`]),
    ]
  })
}

function rulesLack(): string[] {
  const cases = text('src/core/assessment/rules/rules.test.ts')
  return techniqueRules.flatMap(({ key, procedures: shown, example }) => {
    const own = placeOf('src/core/assessment/rules/kinds', `key: '${key}'`)
    return [
      ...(['title', 'say', 'instead', 'shows'] as const).flatMap((part) => lacksText(ruleWords(key, part))),
      ...(cases.includes(`  ${key}: [`)
        ? []
        : [
            `src/core/assessment/rules/rules.test.ts: write "${key}", a case that fires and one that does not`,
          ]),
      ...shown
        .filter((one) => !procedures.some((procedure) => procedure.key === one))
        .map((one) => `${own}: procedures names "${one}", which the Handbook has not`),
      ...(demoNames.includes(example.circuit)
        ? []
        : [`${own}: example names the circuit "${example.circuit}", which is none of the demo's`]),
    ]
  })
}

function limitsLack(): string[] {
  return limitSets.flatMap((set) => wordsOf({ title: set.title, why: set.why }))
}

function formatsLack(): string[] {
  return formats.flatMap((format) => [
    ...wordsOf({ title: format.title, about: format.about }),
    ...((format.read ?? format.write)
      ? []
      : [`${placeOf('src/core/formats/kinds', `key: '${format.key}'`)}: write read or write`]),
    ...(format.endings.length
      ? []
      : [`${placeOf('src/core/formats/kinds', `key: '${format.key}'`)}: write endings`]),
  ])
}

function proceduresLack(): string[] {
  return procedures.flatMap((procedure) => {
    const own = placeOf('src/core/handbook/procedures', `key: '${procedure.key}'`)
    return [
      ...wordsOf(procedure),
      ...(procedure.words.length ? [] : [`${own}: write words, by which it is found`]),
      ...(demoNames.includes(procedure.example.circuit)
        ? []
        : [`${own}: example names the circuit "${procedure.example.circuit}", which is none of the demo's`]),
      ...(procedure.example.faults.length ? [] : [`${own}: write example.faults, what it finds`]),
    ]
  })
}

function calculatorsLack(): string[] {
  return calculators.flatMap((calculator) => {
    const own = placeOf('src/core/handbook/calculators', `key: '${calculator.key}'`)
    return [
      ...wordsOf(calculator),
      ...wordsOf(calculator.results(presetsOf(calculator))),
      ...(calculator.words.length ? [] : [`${own}: write words, by which it is found`]),
      ...(calculator.example.gives.length && calculator.example.from.length > 10
        ? []
        : [`${own}: write example, what comes out by a source from outside`]),
    ]
  })
}

/** Every place has a route, every route a title and a story that opens it. */
function placesLack(): string[] {
  const router = text('src/web/router.ts')
  const stories = readdirSync('e2e')
    .filter((file) => file.endsWith('.ts'))
    .map((file) => text(`e2e/${file}`))
    .join('\n')
  const routes = [...router.matchAll(/path: '(\/[a-z][a-z-]*)[^']*'[\s\S]*?title: '([\w.]+)'/g)]
  return [
    ...readdirSync('src/web/places')
      .filter((place) => !router.includes(`'./places/${place}/`))
      .map((place) => `src/web/router.ts: write the route of src/web/places/${place}`),
    ...routes.flatMap(([, , title]) => lacksText(title!)),
    ...routes
      .filter(([, path, title]) => !stories.includes(path!) && !stories.includes(english[title!] ?? path!))
      .map(([, path]) => `e2e/german.spec.ts: write "${path!}" among the places that are looked at`),
  ]
}

/** By what the recipes of CONTRIBUTING.md add. */
export const lacks: Readonly<Record<string, () => string[]>> = {
  'a part': partsLack,
  'a fault': faultsLack,
  'an instrument': instrumentsLack,
  'a technique rule': rulesLack,
  'a limit set': limitsLack,
  'a file format': formatsLack,
  'a procedure': proceduresLack,
  'a calculator': calculatorsLack,
  'a place': placesLack,
}
