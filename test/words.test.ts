import { readdirSync, readFileSync } from 'node:fs'
import { IntlMessageFormat } from 'intl-messageformat'
import ts from 'typescript'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { piecesOf } from '../src/core/model'
import { techniqueRules } from '../src/core/assessment'
import { describeFault, faultOfKind, possibleFaults } from '../src/core/faults'
import { parts } from '../src/core/parts'
import { instruments } from '../src/core/instruments'
import { en } from '../src/messages/en'
import { languages } from '../src/messages/languages'
import { pieceWords } from '../src/web/readings/pieceWords'
import {
  chooseLanguage,
  chosenLanguage,
  formatQuantity,
  localNumbers,
  quoted,
  t,
  tell,
  use,
  within,
} from '../src/web/words'
import { demoCircuit, demoNames } from './demo'
import { messagesOf } from './messages'

afterEach(() => use('en'))

const english = messagesOf('en')

type Elements = ReturnType<IntlMessageFormat['getAst']>
/** Names of the arguments of an ICU message, those of its branches among them. */
function argumentsOf(text: string): string[] {
  const names = new Set<string>()
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

/** Every source file of the product, with its code alone: of a view its script and the expressions of its template. */
const sources = readdirSync('src', { withFileTypes: true, recursive: true })
  .filter((e) => e.isFile() && /\.(ts|vue)$/.test(e.name) && !/\.test\.ts$/.test(e.name))
  .map((e) => {
    const file = `${e.parentPath}/${e.name}`
    return { file, text: readFileSync(file, 'utf8') }
  })
const codeIn = ({ file, text }: (typeof sources)[number]): string => {
  if (file.endsWith('.ts')) return text
  const scripts = [...text.matchAll(/<script[^>]*>([\s\S]*?)<\/script>/g)].map(([, script]) => script!)
  const template = text.slice(text.indexOf('<template>'), text.lastIndexOf('</template>'))
  const shown = [
    ...template.matchAll(/\{\{([\s\S]*?)\}\}/g),
    ...template.matchAll(/\s[:@#v][\w:.-]*="([^"]*)"/g),
  ]
  return [...scripts, ...shown.map(([, expression]) => `;(${expression!.trim()})`)].join('\n')
}

interface Call {
  /** More than one where a condition chooses. */
  readonly codes: readonly string[]
  readonly given: readonly string[] | undefined
  readonly line: string
}
/** Each call of `say` and `t` with a code in it, and the names of what fills it where they stand there. */
function callsIn(source: (typeof sources)[number]): Call[] {
  const calls: Call[] = []
  const file = ts.createSourceFile('x.ts', codeIn(source), ts.ScriptTarget.Latest, true)
  const codesOf = (node: ts.Expression): string[] =>
    ts.isStringLiteralLike(node)
      ? [node.text]
      : ts.isConditionalExpression(node)
        ? [...codesOf(node.whenTrue), ...codesOf(node.whenFalse)]
        : ts.isParenthesizedExpression(node)
          ? codesOf(node.expression)
          : []
  const visit = (node: ts.Node): void => {
    if (
      ts.isCallExpression(node) &&
      ts.isIdentifier(node.expression) &&
      ['say', 't'].includes(node.expression.text)
    ) {
      const [first, second] = node.arguments
      const object = second && ts.isObjectLiteralExpression(second) ? second : undefined
      const whole = object?.properties.every((p) => p.name !== undefined && ts.isIdentifier(p.name))
      const given =
        second === undefined
          ? []
          : whole
            ? object!.properties.map((p) => p.name!.getText()).sort()
            : undefined
      const codes = (first ? codesOf(first) : []).filter((code) => code.includes('.'))
      if (codes.length) calls.push({ codes, given, line: `${source.file}: ${node.getText().slice(0, 80)}` })
    }
    ts.forEachChild(node, visit)
  }
  visit(file)
  return calls
}

describe('messages', () => {
  it('are all listed, each file in English and in the languages that are whole', () => {
    const files = readdirSync('src/messages/en', { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.json'))
      .map((file) => file.replace('.json', '').replaceAll('/', '.'))
    expect(Object.keys(en).sort()).toEqual(files.sort())
  })

  it.each(Object.keys(languages))('can be made in %s, with the same arguments as in English', (key) => {
    const own = messagesOf(key)
    for (const [code, text] of Object.entries(own)) {
      expect(english[code], `${key} ${code} has no English`).toBeDefined()
      expect(text.trim(), code).not.toBe('')
      expect(argumentsOf(text), code).toEqual(argumentsOf(english[code]!))
    }
    if (languages[key]!.whole) expect(Object.keys(own).sort()).toEqual(Object.keys(english).sort())
  })

  it('are filled, wherever they are said, with just what they name', () => {
    const calls = sources.flatMap(callsIn)
    expect(calls.length).toBeGreaterThan(1500)
    const wrong = calls.flatMap(({ codes, given, line }) => {
      const missing = codes.filter((code) => english[code] === undefined)
      if (missing.length) return [`${line}: no message ${missing.join()}`]
      const wanted = [...new Set(codes.flatMap((code) => argumentsOf(english[code]!)))].sort()
      return given && given.join() !== wanted.join()
        ? [`${line}: given ${given.join()}, names ${wanted.join()}`]
        : []
    })
    expect(wrong).toEqual([])
  })

  it('are all used', () => {
    const code = sources
      .filter(({ file }) => !file.startsWith('src/messages'))
      .map(codeIn)
      .join('\n')
    // Codes that are put together from a key that somebody chooses.
    const made = [...code.matchAll(/`((?:ui\.)?\w+(?:\.\w+)*\.)\$\{/g)].map(([, start]) => start!)
    const used = new Set([...code.matchAll(/['"`]([\w]+(?:\.[\w ]+)+)['"`]/g)].map(([, one]) => one))
    const unused = Object.keys(english).filter(
      (one) => !used.has(one) && !made.some((start) => one.startsWith(start)),
    )
    expect(unused).toEqual([])
  })

  it('name every position, scale word and rule that there is', () => {
    const all = [
      ...parts.flatMap(({ positions, positionNames }) =>
        (positions ?? []).filter((key) => !positionNames?.[key]).map((key) => `parts.position.${key}`),
      ),
      ...parts.flatMap(({ modes }) => (modes?.all ?? []).map((mode) => `time.does.${mode.split(' ')[0]!}`)),
      ...techniqueRules.flatMap(({ key }) =>
        ['title', 'say', 'instead', 'shows'].map((part) => `rules.${key}.${part}`),
      ),
      ...instruments
        .flatMap(({ asks }) => (asks.type === 'word' ? Object.values(asks.words) : []))
        .map((word) => (typeof word === 'string' ? word : 'document.verbatim is no word of a scale')),
    ]
    expect(all.filter((code) => english[code] === undefined)).toEqual([])
  })
})

describe('German', () => {
  it('says numbers with a comma, names as they are, sentences inside sentences', () => {
    use('de')
    expect(formatQuantity(12.34, 'V')).toBe('12,34\u00a0V')
    expect(localNumbers('0.28 V at K1.30 on 26.11.2026')).toBe('0,28 V at K1.30 on 26.11.2026')
    expect(tell('parts.lamp.title')).toBe('Glühlampe in Fassung')
    const circuit = demoCircuit('sweeper-work-lamp')
    expect(
      tell(describeFault(circuit, { kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.8 })),
    ).toBe('G1 hopper frame ground, Öse am Bolzen: 800\u00a0mΩ in Reihe')
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
  })

  it('leaves names and what a person has written as they are, though they are words of the trade', () => {
    use('de')
    expect(tell({ code: 'school.classThere', params: { name: 'Battery' } })).toContain('Battery')
    expect(t('ui.show.healthy', { point: 'Mark' })).toContain('Mark')
  })

  it('describes every fault, piece and part without a code left over', () => {
    use('de')
    for (const name of demoNames) {
      const circuit = demoCircuit(name)
      for (const fault of possibleFaults(circuit))
        for (const severity of fault.severity === undefined ? [undefined] : [0.05, 3, 60, 4e4, 1e6])
          expect(tell(describeFault(circuit, { ...fault, ...(severity && { severity }) }))).not.toMatch(
            /faults\.|parts\.|\{|undefined/,
          )
      for (const piece of piecesOf(circuit)) expect(pieceWords(circuit, piece)).not.toMatch(/parts\.|\{/)
    }
  })
})

describe('words within a sentence', () => {
  const circuit = demoCircuit('sweeper-work-lamp')
  const lamp = piecesOf(circuit).find(({ part, unit }) => part === 'L1' && unit.key === 'socket')!
  const bare = { ...circuit, parts: circuit.parts.map((part) => ({ ...part, name: '' })) }

  it('keep the school’s own name of a part, and say the trade’s where it has none', () => {
    expect(pieceWords(circuit, lamp)).toBe('L1 work lamp, socket')
    use('de')
    expect(pieceWords(circuit, lamp)).toBe('L1 work lamp, Fassung')
    expect(pieceWords(bare, lamp)).toBe('L1 Glühlampe in Fassung, Fassung')
  })

  it('write a title small in English, and a noun as a noun in German', () => {
    expect(within(faultOfKind('highResistance').title)).toBe('high resistance')
    use('de')
    expect(within(faultOfKind('highResistance').title)).toMatch(/^\p{Lu}/u)
  })

  it('put what a person said in the marks of the language, word for word', () => {
    expect(quoted('open')).toBe('“open”')
    use('de')
    expect(quoted('open')).toBe('„open“')
  })

  it('leave alone what an account names and this version has not got', () => {
    const kept = new Map<string, string>()
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    })
    vi.stubGlobal('navigator', { languages: ['xx-XX'] })
    expect(chosenLanguage()).toBe('en')
    expect(chooseLanguage('xx')).toBe(false)
    expect(chosenLanguage()).toBe('en')
    expect(chooseLanguage('de')).toBe(true)
    expect(chooseLanguage('de')).toBe(false)
    expect(chosenLanguage()).toBe('de')
    vi.unstubAllGlobals()
  })
})
