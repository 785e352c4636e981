import { readdirSync, readFileSync } from 'node:fs'
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest'
import { IntlMessageFormat } from 'intl-messageformat'
import { ruleTexts, aspectNames, techniqueRules } from '../src/core/assessment'
import { repairs } from '../src/core/attempt'
import { piecesOf, wireUp } from '../src/core/model'
import { contractTexts } from '../src/contract/words'
import { sorts } from '../src/core/diagnosis'
import { catalogue, describeFault, families, possibleFaults } from '../src/core/faults'
import { calculators, lookUps, presetsOf, procedures } from '../src/core/handbook'
import { devices, holds, instruments, meters } from '../src/core/instruments'
import { quizTexts, skills } from '../src/core/lab'
import { parts } from '../src/core/parts'
import {
  answerKey,
  clampColumns,
  dropColumns,
  fuseColumns,
  isolatedColumns,
  limitSets,
  pointColumns,
} from '../src/core/readings'
import { english } from '../src/core/words'
import { demoCircuit, demoNames } from './demo'
import {
  chooseLanguage,
  chosenLanguage,
  formatQuantity,
  loadCore,
  localNumbers,
  quoted,
  t,
  tell,
  translates,
  use,
  within,
} from '../src/web/words'
import { pieceWords } from '../src/web/readings/pieceWords'
import { de } from '../src/web/words/de'

beforeAll(loadCore)
afterEach(() => use(undefined))

/** Every text that the interface asks for, read off its sources. */
const asked = (): Set<string> => {
  const found = new Set<string>()
  for (const file of readdirSync('src/web', { withFileTypes: true, recursive: true })) {
    if (!file.isFile() || !/\.(vue|ts)$/.test(file.name) || file.name.endsWith('.test.ts')) continue
    const text = readFileSync(`${file.parentPath}/${file.name}`, 'utf8')
    for (const match of text.matchAll(/(?<![\w.$])t\(\s*(?:'((?:[^'\\]|\\.)*)'|"((?:[^"\\]|\\.)*)")/g))
      found.add((match[1] ?? match[2]!).replaceAll("\\'", "'").replaceAll('\\\\', '\\'))
  }
  for (const [, title] of readFileSync('src/web/router.ts', 'utf8').matchAll(/title: '([^']+)'/g))
    found.add(title!)
  return found
}

/** Names of the arguments of an ICU message, those of its branches among them. */
function argumentsOf(text: string): string[] {
  const names = new Set<string>()
  type Elements = ReturnType<IntlMessageFormat['getAst']>
  const walk = (elements: Elements): void => {
    for (const element of elements) {
      // 1 is an argument, 5 and 6 are select and plural.
      if ('value' in element && [1, 2, 3, 4, 5, 6].includes(element.type)) names.add(String(element.value))
      if ('options' in element)
        for (const option of Object.values(element.options as Record<string, { value: Elements }>))
          walk(option.value)
    }
  }
  walk(new IntlMessageFormat(text, 'en', undefined, { ignoreTag: true }).getAst())
  return [...names].sort()
}

/** Words that parts, faults, instruments and the book show, by the registry they stand in. */
const shown = new Set(['title', 'name', 'label', 'text', 'about', 'caption', 'why', 'verb', 'done', 'built'])
shown.add('caution').add('legend')
function words(of: unknown, found = new Set<string>(), depth = 0): Set<string> {
  if (!of || typeof of !== 'object' || depth > 8) return found
  for (const [key, value] of Object.entries(of)) {
    if (typeof value === 'string' && (shown.has(key) || (depth === 0 && !Array.isArray(of)))) found.add(value)
    // Why a fault is met as often as it is, nobody is shown.
    else if (!['parameters', 'example', 'prior'].includes(key)) words(value, found, depth + 1)
  }
  return found
}
const isWord = (text: string) =>
  /\p{L}{2,}/u.test(text) &&
  !/^(−?[\d.]+\sm?V$|AWG|OL|DIN$|[\d. ]+W: HB3$|mA|mV|[A-Z]\d|HB3|ISO|IEC)/.test(text)

describe('German', () => {
  it('has every text of the interface, and none that nobody asks for', () => {
    const all = asked()
    const missing = [...all].filter((text) => isWord(text) && !translates(text, de))
    expect(missing).toEqual([])
  })

  it('has every message of core and server, with the same arguments, and no other', () => {
    const all = { ...english, ...contractTexts, ...ruleTexts, ...quizTexts }
    expect(Object.keys(de.codes).sort()).toEqual(Object.keys(all).sort())
    for (const [code, text] of Object.entries(all))
      expect(argumentsOf(de.codes[code]!), code).toEqual(argumentsOf(text))
  })

  it('has the same arguments in the texts of the interface', () => {
    for (const [text, said] of Object.entries(de.texts))
      if (text.includes('{')) expect(argumentsOf(said), text).toEqual(argumentsOf(text))
  })

  it.each([
    ['parts', parts],
    ['faults', catalogue],
    ['families', families],
    ['instruments', instruments],
    ['meters', meters],
    ['devices', devices],
    ['ways to hold them', holds],
    ['limits', limitSets],
    ['repairs', repairs],
    ['aspects', aspectNames],
    ['skills', skills],
    ['sorts of test', sorts],
  ] as const)('has the names of %s', (_, registry) => {
    const missing = [...words(registry)].filter((text) => isWord(text) && !translates(text, de))
    expect(missing).toEqual([])
  })

  it('has labels and notices of all parts', () => {
    const missing = new Set<string>()
    for (const part of parts) {
      for (const notice of part.notice?.all ?? []) if (!translates(notice.text, de)) missing.add(notice.text)
      for (const field of Object.values(part.parameters.shape)) {
        const { label, options = [], names = {}, table = [] } = z(field)
        const offered = [
          ...options.map((option) => names[option] ?? option),
          ...table.map(({ text }) => text),
        ]
        for (const text of [label ?? '', ...offered])
          if (isWord(text) && !translates(text, de)) missing.add(text)
      }
    }
    expect([...missing]).toEqual([])
  })

  it('describes every fault that can be planted', () => {
    const missing = new Set<string>()
    for (const name of demoNames) {
      const circuit = demoCircuit(name)
      const all = possibleFaults(circuit)
      // A joint that somebody has given ohms of its own, too.
      const cold = all.filter(({ kind }) => kind === 'corroded').map((fault) => ({ ...fault, cold: 2.2 }))
      const sized = all.flatMap((fault) =>
        [0.05, 3, 60, 4e4, 1e6].map((severity) => ({ ...fault, severity })),
      )
      for (const fault of [...all, ...cold, ...sized]) {
        const what = describeFault(circuit, fault).replace(/^.*?: /, '')
        if (!translates(what, de)) missing.add(what)
      }
    }
    expect([...missing]).toEqual([])
  })

  it('has the names of every piece, point and scanned value of a circuit', { tags: ['sweep'] }, () => {
    const missing = new Set<string>()
    const look = (text: string) => void (isWord(text) && !translates(text, de) && missing.add(text))
    for (const name of demoNames) {
      const circuit = demoCircuit(name)
      for (const { unit } of piecesOf(circuit)) look(unit.name)
      for (const point of wireUp(circuit).points) look(point.title)
      for (const state of answerKey(circuit, []).states)
        if ('scans' in state)
          for (const row of state.scans.flatMap(({ rows }) => rows)) [row.name, row.value].forEach(look)
    }
    expect([...missing]).toEqual([])
  })

  it('has the heads of all tables of readings', () => {
    const columns = [pointColumns, dropColumns, isolatedColumns, clampColumns, fuseColumns(() => '')].flat()
    const heads = columns.flatMap(({ head }) => [head(true), head(false)])
    expect(heads.filter((head) => isWord(head) && !translates(head, de))).toEqual([])
  })

  it('has the whole handbook', () => {
    const all = new Set<string>()
    for (const c of calculators) {
      for (const text of [c.title, c.about, c.assumes, c.source]) all.add(text)
      if (/[a-z]{4}/.test(c.formula)) all.add(c.formula)
      for (const { label, options } of Object.values(c.inputs)) {
        all.add(label)
        for (const option of options ?? []) all.add(option.text)
      }
      for (const { label, note } of c.results(presetsOf(c))) {
        all.add(label)
        if (note) all.add(note)
      }
    }
    for (const l of lookUps)
      for (const text of [l.title, l.source, ...l.head, ...l.rows.flat()]) all.add(text)
    for (const p of procedures) {
      for (const text of [p.title, p.about, p.when, p.source]) all.add(text)
      for (const step of p.steps) {
        all.add(step.do)
        for (const { when, means } of step.outcomes) all.add(when).add(means)
      }
    }
    for (const { example } of techniqueRules) all.add(example.shows)
    expect([...all].filter((text) => isWord(text) && !translates(text, de))).toEqual([])
  })

  it('is spoken: numbers with a comma, names inside sentences, sentences inside sentences', () => {
    use(de)
    expect(formatQuantity(12.34, 'V')).toBe('12,34\u00a0V')
    expect(localNumbers('0.28 V at K1.30 on 26.11.2026')).toBe('0,28 V at K1.30 on 26.11.2026')
    expect(t('F1 fuse link')).toBe('F1 Schmelzleiter')
    expect(t('Filament lamp in socket')).toBe('Glühlampe in Fassung')
    expect(t('G1 inner wing ground, eyelet on stud: 800\u00a0mΩ in series')).toBe(
      'G1 inner wing ground, Öse am Bolzen: 800\u00a0mΩ in Reihe',
    )
    expect(t('{title} put in', { title: 'Diode' })).toBe('Diode eingesetzt')
    expect(
      tell({
        code: 'readings.within',
        params: {
          what: { code: 'readings.feed' },
          loss: { value: 0.265, unit: 'V' },
          most: { value: 0.3, unit: 'V' },
        },
      }),
    ).toBe('Zuleitung verliert 265\u00a0mV, innerhalb von 300\u00a0mV')
    expect(
      t('“{name}” is with {count, plural, one {# student} other {# students}}.', { name: 'X', count: 2 }),
    ).toBe('„X“ liegt bei 2 Personen.')
  })

  it('leaves what a person has written as it was written', () => {
    use(de)
    const body = 'I read 12.4 V: the open was behind it, wasn’t it?'
    expect(t('The student: “{body}”', { body })).toBe(`Die Person: „${body}“`)
    expect(t('Note: open')).toBe('Note: open')
  })

  it('leaves what nobody has translated as it is', () => {
    use(de)
    expect(t('Work lamp of our own')).toBe('Work lamp of our own')
    use(undefined)
    expect(t('Battery')).toBe('Battery')
    expect(formatQuantity(12.34, 'V')).toBe('12.34\u00a0V')
  })
})

interface FieldMeta {
  label?: string
  options?: readonly string[]
  names?: Readonly<Record<string, string>>
  table?: readonly { readonly text: string }[]
}
/** What a field of a part says of itself, below what wraps it. */
function z(field: unknown): FieldMeta {
  let at = field as { meta?: () => FieldMeta | undefined; def?: { innerType?: unknown } } | undefined
  while (at) {
    const meta = at.meta?.()
    if (meta?.label) return meta
    at = at.def?.innerType as typeof at
  }
  return {}
}

describe('words within a sentence', () => {
  const circuit = demoCircuit('sweeper-work-lamp')
  const lamp = piecesOf(circuit).find(({ part, unit }) => part === 'L1' && unit.name === 'socket')!
  const bare = { ...circuit, parts: circuit.parts.map((part) => ({ ...part, name: '' })) }

  it('keep the school’s own name of a part, and say the trade’s where it has none', () => {
    expect(pieceWords(circuit, lamp)).toBe('L1 work lamp, socket')
    use(de)
    expect(pieceWords(circuit, lamp)).toBe('L1 work lamp, Fassung')
    expect(pieceWords(bare, lamp)).toBe('L1 Glühlampe in Fassung, Fassung')
  })

  it('write a title small in English, and a noun as a noun in German', () => {
    expect(within('High resistance')).toBe('high resistance')
    use(de)
    expect(within('High resistance')).toMatch(/^\p{Lu}/u)
  })

  it('put what a person said in the marks of the language, word for word', () => {
    expect(quoted('open')).toBe('“open”')
    use(de)
    expect(quoted('open')).toBe('„open“')
  })

  it('leave alone what an account names and this version has not got', () => {
    const kept = new Map<string, string>()
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    })
    vi.stubGlobal('navigator', { languages: ['fr-FR'] })
    expect(chosenLanguage()).toBe('en')
    expect(chooseLanguage('xx')).toBe(false)
    expect(chosenLanguage()).toBe('en')
    expect(chooseLanguage('de')).toBe(true)
    expect(chooseLanguage('de')).toBe(false)
    expect(chosenLanguage()).toBe('de')
    vi.unstubAllGlobals()
  })
})
