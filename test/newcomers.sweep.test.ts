import { execFileSync } from 'node:child_process'
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'

/** The recipes of CONTRIBUTING.md, followed to the letter in a copy of the project: one newcomer of each sort. */

const copy = mkdtempSync(join(tmpdir(), 'brachyon-newcomers-'))
afterAll(() => rmSync(copy, { recursive: true, force: true }))

type Recipe =
  | 'a part'
  | 'a fault'
  | 'an instrument'
  | 'a technique rule'
  | 'a limit set'
  | 'a file format'
  | 'a procedure'
  | 'a calculator'
  | 'a place'

/** Files that each recipe has touched. */
const touched = new Map<Recipe, Set<string>>()
function write(recipe: Recipe, file: string, text: string): void {
  touched.set(recipe, (touched.get(recipe) ?? new Set()).add(file))
  mkdirSync(dirname(join(copy, file)), { recursive: true })
  writeFileSync(join(copy, file), text)
}
const read = (file: string): string =>
  existsSync(join(copy, file)) ? readFileSync(join(copy, file), 'utf8') : ''
/** Puts a line before one that stands there. */
function line(recipe: Recipe, file: string, before: string, text: string): void {
  const old = read(file)
  expect(old, `${file} has no line ${before}`).toContain(`\n${before}`)
  write(recipe, file, old.replace(`\n${before}`, `\n${text}\n${before}`))
}

const instrument = `import { defineInstrument, noEffects, type Instrument } from '../instrument'
import { partsWith } from './common'

const words = { silent: 'instruments.word.silent', clicks: 'instruments.word.clicks' } as const

export const newcomer: Instrument<'newcomer'> = defineInstrument({
  key: 'newcomer',
  device: 'hand',
  title: 'instruments.newcomer.title',
  about: 'instruments.newcomer.about',
  cautions: () => [],
  settings: [],
  holds: ['at'],
  nature: () => ({ draws: 0 }),
  read: () => ({ unit: 'V', text: '', word: 'silent', signs: [], did: noEffects }),
  expect: () => ({ low: 0, high: 0 }),
  tells: (place) => place,
  asks: { type: 'word', words },
  places: (circuit) => partsWith(circuit, ({ coil }) => coil !== undefined),
  minutes: 1,
})
`
const part = `import { z } from 'zod'
import { figures } from '../document'
import { definePart, passive, quantity } from './definition'

export const newcomer = definePart({
  kind: 'newcomer',
  seeAlso: ['ohm'],
  symbol: 'resistor',
  access: 'cover',
  takesCurrent: true,
  title: 'parts.newcomer.title',
  letters: 'NC',
  quick: { words: ['newcomer'], main: ['ohms'] },
  role: 'connection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.supplyEnd' },
    { key: 'b', suffix: 'b', name: 'parts.farEnd' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'body', name: 'parts.newcomer.body', segments: ['body'] }],
  parameters: z.object({ ohms: quantity('parts.newcomer.ohms', 'Ω', 0.01, 1e6, 0.05) }),
  segments: [{ key: 'body', name: 'parts.newcomer.body', between: ['a', 'b'], faults: passive }],
  stamp: ({ ohms }, net) => net.resistor('body', 'a', 'b', ohms, 0.05),
  summary: ({ ohms }) => figures(\`\${ohms} Ω\`),
})
`
const fault = `import { asUsual, defineFault } from '../definition'

export const newcomer = defineFault({
  kind: 'newcomer',
  prior: asUsual,
  title: 'faults.newcomer.title',
  family: 'opens',
  repairedBy: ['replace'],
  built: 'faults.newcomer.built',
  describe: () => 'faults.newcomer.describe',
  strikes: (segment) => segment.key === 'copper',
  strike: () => [],
})
`
const rule = `import { onWorkLamp, voltsReading } from '../example'
import { defineRule } from '../rule'

export const newcomer = defineRule({
  key: 'newcomer',
  procedures: ['pointByPoint'],
  weight: 'note',
  fires: ({ setup: { place } }) => place.type === 'leads' && place.red === place.black,
  example: { ...onWorkLamp, wrong: voltsReading('X1a', 'X1a'), right: voltsReading('X1a', 'X1b') },
})
`
const limitSet = `import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const newcomer: LimitSet = {
  id: 'newcomer',
  title: 'readings.newcomer.title',
  why: 'readings.newcomer.why',
  ...bySides(() => [0.4, 0.4]),
}
`
const format = `import type { Format } from '../format'

export const newcomer: Format = {
  key: 'newcomer',
  title: 'formats.newcomer.title',
  about: 'formats.newcomer.about',
  endings: ['txt'],
  mime: 'text/plain',
  write: ({ circuit }) => ({ ok: true, value: circuit.name }),
}
`
const procedure = `import type { Procedure } from '../procedure'
import { loaded } from './paths'

export const newcomer: Procedure = {
  key: 'newcomer',
  title: 'procedures.newcomer.title',
  words: ['newcomer'],
  about: 'procedures.newcomer.about',
  when: 'procedures.newcomer.when',
  cautions: [],
  source: 'procedures.commonPracticeNoSource',
  paths: (circuit) => loaded(circuit),
  steps: [
    {
      key: 'look',
      do: 'procedures.newcomer.look',
      outcomes: [
        { when: 'procedures.newcomer.seen', means: 'procedures.newcomer.means', next: { end: 'sound' } },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-work-lamp',
    state: 'on',
    path: '',
    faults: [{ kind: 'slack', part: 'X1', segment: 'pin', severity: 5 }],
  },
}
`
const calculator = `import { defineCalculator } from '../calculator'

export const newcomer = defineCalculator({
  key: 'newcomer',
  title: 'calculators.newcomer.title',
  words: ['newcomer'],
  about: 'calculators.newcomer.about',
  assumes: 'calculators.newcomer.assumes',
  formula: 'calculators.newcomer.formula',
  by: [],
  source: 'calculators.newcomer.source',
  inputs: { amps: { label: 'calculators.newcomer.amps', unit: 'A', preset: 1, least: 0, most: 10 } },
  results: ({ amps }) => [{ label: 'calculators.newcomer.twice', unit: 'A', value: 2 * amps }],
  example: {
    given: { amps: 2 },
    gives: [['calculators.newcomer.twice', 4, 1e-9]],
    from: 'arithmetic of the definition',
  },
})
`
const place = `<script setup lang="ts">
import { t } from '../../words'
</script>

<template>
  <h1>{{ t('ui.newcomer.title') }}</h1>
</template>
`

interface Own {
  /** Where the newcomer's file goes, under `src/core`. */
  readonly folder: string
  readonly text: string
  readonly registry: string
  /** The line of the registry that its import is put before, and that its name is. */
  readonly imports: string
  readonly lists: string
}
const own: Readonly<Record<Exclude<Recipe, 'a place'>, Own>> = {
  'a part': {
    folder: 'parts',
    text: part,
    registry: 'parts/registry.ts',
    imports: 'import { resistor }',
    lists: '  resistor,',
  },
  'a fault': {
    folder: 'faults/kinds',
    text: fault,
    registry: 'faults/catalogue.ts',
    imports: 'import { stuckOpen }',
    lists: '  stuckOpen,',
  },
  'an instrument': {
    folder: 'instruments/kinds',
    text: instrument,
    registry: 'instruments/registry.ts',
    imports: 'import { benchRelay,',
    lists: '  benchRelay,',
  },
  'a technique rule': {
    folder: 'assessment/rules/kinds',
    text: rule,
    registry: 'assessment/rules/registry.ts',
    imports: 'import { samePoint }',
    lists: '  samePoint,',
  },
  'a limit set': {
    folder: 'readings/limits/kinds',
    text: limitSet,
    registry: 'readings/limits/registry.ts',
    imports: 'import { flat }',
    lists: '  flat,',
  },
  'a file format': {
    folder: 'formats/kinds',
    text: format,
    registry: 'formats/registry.ts',
    imports: 'import { netlist }',
    lists: '',
  },
  'a procedure': {
    folder: 'handbook/procedures',
    text: procedure,
    registry: 'handbook/procedures/registry.ts',
    imports: 'import { proof }',
    lists: '  proof,',
  },
  'a calculator': {
    folder: 'handbook/calculators',
    text: calculator,
    registry: 'handbook/calculators/registry.ts',
    imports: 'import { ohm }',
    lists: '  ohm,',
  },
}

/** Each newcomer's own file and its line in a registry, and nothing else: it is not whole yet. */
function addAll(): void {
  for (const [recipe, { folder, text, registry, imports, lists }] of Object.entries(own) as [Recipe, Own][]) {
    const list = `src/core/${registry}`
    write(recipe, `src/core/${folder}/newcomer.ts`, text)
    line(recipe, list, imports, `import { newcomer } from './${relative(dirname(registry), folder)}newcomer'`)
    if (lists) line(recipe, list, lists, '  newcomer,')
    // Formats stand in one line.
    else write(recipe, list, read(list).replace('= [readingsCsv,', '= [newcomer, readingsCsv,'))
  }
  write('a place', 'src/web/places/newcomer/Newcomer.vue', place)
  line(
    'a place',
    'src/web/router.ts',
    "    { path: '/:rest(.*)*'",
    `    {
      path: '/newcomer',
      name: 'newcomer',
      meta: { title: 'ui.newcomer.title' },
      component: () => import('./places/newcomer/Newcomer.vue'),
    },`,
  )
}
/** `kinds/` where the file lies a folder below its registry. */
const relative = (from: string, to: string): string => (from === to ? '' : `${to.slice(from.length + 1)}/`)

/** A command in the copy. @throws Error with what it wrote, where it fails */
function run(...line: string[]): void {
  try {
    execFileSync('npx', line, { cwd: copy, stdio: 'pipe', encoding: 'utf8' })
  } catch (error) {
    throw new Error(`${line.join(' ')}\n${String((error as { stdout?: string }).stdout)}`, {
      cause: error,
    })
  }
}

interface Report {
  readonly testResults: readonly {
    readonly assertionResults: readonly {
      readonly title: string
      readonly status: string
      readonly failureMessages: readonly string[]
    }[]
  }[]
}
/** What the project says is missing, by recipe; empty lists where nothing is. */
function missing(): ReadonlyMap<string, readonly string[]> {
  const out = join(copy, 'report.json')
  rmSync(out, { force: true })
  const args = [
    'vitest',
    'run',
    '--project',
    'core',
    'src/core/completeness.test.ts',
    '-t',
    'newcomer brings',
  ]
  try {
    execFileSync('npx', [...args, '--reporter=json', `--outputFile=${out}`], {
      cwd: copy,
      stdio: 'pipe',
      env: { ...process.env, BRACHYON_BUILT: '', CI: '' },
    })
  } catch {
    // It ends with an error where something is missing: the report says what.
  }
  const report = JSON.parse(readFileSync(out, 'utf8')) as Report
  const tests = report.testResults
    .flatMap(({ assertionResults }) => assertionResults)
    .filter(({ title }) => title.includes(' is whole'))
  return new Map(
    tests.map(({ title, failureMessages }) => [
      title.slice(0, title.indexOf(' is whole')),
      failureMessages
        .join('\n')
        .split('\n')
        .filter((text) => /^[\w./-]+(:\d+)?: \w/.test(text) && text.includes('/')),
    ]),
  )
}

beforeAll(() => {
  for (const folder of ['src', 'test', 'e2e', 'bench', 'demo', 'docs', 'scripts'])
    cpSync(folder, join(copy, folder), { recursive: true })
  for (const file of ['package.json', 'tsconfig.json', 'vitest.config.ts']) cpSync(file, join(copy, file))
  symlinkSync(join(process.cwd(), 'node_modules'), join(copy, 'node_modules'))
  addAll()
})

it('says of each newcomer that is not whole which file to write what into, and is content once it is written', () => {
  const lists = missing()
  expect([...lists.keys()].sort()).toEqual([...touched.keys()].sort())
  for (const [recipe, list] of lists) {
    expect(list.length, recipe).toBeGreaterThan(0)
    for (const one of list)
      expect(one, recipe).toMatch(/^[\w./-]+\.(json|ts)(:\d+)?: \w|^demo\/circuits: write/)
    // Its words, in each language that is whole.
    for (const language of ['en', 'de'])
      expect(
        list.some((one) => one.startsWith(`src/messages/${language}/`)),
        `${recipe}, ${language}`,
      ).toBe(true)
  }
  // What is said is done, to the letter.
  for (const [recipe, list] of lists as ReadonlyMap<Recipe, readonly string[]>)
    for (const one of list) {
      const [, file, key] = /^(src\/messages\/[\w/]+\.json): write "([\w. ]+)"$/.exec(one) ?? []
      if (file && key) {
        const texts = JSON.parse(read(file) || '{}') as Record<string, string>
        write(recipe, file, JSON.stringify({ ...texts, [key]: 'Newcomer' }, null, 2))
      } else if (one.startsWith('demo/circuits')) {
        const circuit = JSON.parse(read('demo/circuits/sweeper-work-lamp.json')) as {
          parts: object[]
          paths: { steps: { part: string }[] }[]
        }
        circuit.parts.push({ id: 'NC1', kind: 'newcomer', name: 'newcomer', parameters: {} })
        circuit.paths[0]!.steps.splice(2, 0, { part: 'NC1' })
        write(recipe, 'demo/circuits/sweeper-work-lamp.json', JSON.stringify(circuit))
      } else if (one.startsWith('docs/circuit.schema.json')) {
        touched.get(recipe)!.add('docs/circuit.schema.json')
      } else if (one.startsWith('src/core/assessment/rules/rules.test.ts')) {
        line(
          recipe,
          'src/core/assessment/rules/rules.test.ts',
          '  samePoint: [',
          "  newcomer: [() => lamp().volts('L1a', 'L1a'), () => lamp().volts('L1a', 'L1b')],",
        )
      } else if (one.startsWith('e2e/german.spec.ts')) {
        line(recipe, 'e2e/german.spec.ts', "    '/floor',", "    '/newcomer',")
      } else throw new Error(`${recipe}: ${one}`)
    }
  // A file of messages of its own has its line beside the others.
  const list = 'src/messages/en.ts'
  write('a place', list, `import newcomer from './en/ui/newcomer.json'\n${read(list)}`)
  line('a place', list, "  'ui.paper': uiPaper,", "  'ui.newcomer': newcomer,")
  run('tsx', 'scripts/schema.ts')
  for (const [recipe, left] of missing()) expect(left, recipe).toEqual([])
  // The compiler and the rules' own tests are content with all nine at once.
  run('vue-tsc', '--noEmit', '-p', 'tsconfig.json')

  // Its file and its line, its words in each language, and what the recipe names beside: nothing else had to know.
  const beside: Partial<Record<Recipe, readonly string[]>> = {
    'a part': ['demo/circuits/sweeper-work-lamp.json', 'docs/circuit.schema.json'],
    'a technique rule': ['src/core/assessment/rules/rules.test.ts'],
    'a place': ['e2e/german.spec.ts', 'src/messages/en.ts'],
  }
  for (const [recipe, files] of touched) {
    const more = [...files].filter(
      (file) =>
        !file.includes('newcomer') &&
        !file.startsWith('src/messages/') &&
        !/registry|catalogue|router/.test(file),
    )
    const messages = [...files].filter((file) => file.startsWith('src/messages/') && file.endsWith('.json'))
    expect(messages.length, `${recipe}: ${messages.join()}`).toBe(2)
    const wanted = [...(beside[recipe] ?? [])].filter((file) => !file.startsWith('src/messages/'))
    expect(more.sort(), recipe).toEqual(wanted.sort())
    console.log(`${recipe}: ${[...files].sort().join(', ')}`)
  }
}, 600_000)
