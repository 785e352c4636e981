import { readdirSync } from 'node:fs'
import { join, relative, resolve } from 'node:path'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

/* What the core's functions say of themselves: those that its folders show, their units; those that throw, what. */

const root = resolve('.')
const core = join(root, 'src/core')
const { config } = ts.readConfigFile(join(root, 'tsconfig.json'), ts.sys.readFile) as { config: unknown }
const { options } = ts.parseJsonConfigFileContent(config, ts.sys, root)
const files = readdirSync(core, { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
  .map((name) => join(core, name))
const program = ts.createProgram(files, options)
const checker = program.getTypeChecker()

type Fn = ts.FunctionDeclaration | ts.ArrowFunction | ts.FunctionExpression

const functionOf = (node: ts.Node): Fn | undefined => {
  if (ts.isFunctionDeclaration(node)) return node
  if (!(ts.isVariableDeclaration(node) || ts.isPropertyAssignment(node)) || !node.initializer)
    return undefined
  const { initializer } = node
  return ts.isArrowFunction(initializer) || ts.isFunctionExpression(initializer) ? initializer : undefined
}

/** The comment right before a declaration. */
function docOf(node: ts.Node): string {
  const own = ts.isVariableDeclaration(node) ? node.parent.parent : node
  const { text } = own.getSourceFile()
  const last = ts.getLeadingCommentRanges(text, own.getFullStart())?.at(-1)
  return last ? text.slice(last.pos, last.end) : ''
}

function placeOf(node: ts.Node): string {
  const source = node.getSourceFile()
  const { line } = source.getLineAndCharacterOfPosition(node.getStart())
  return `${relative(root, source.fileName)}:${line + 1}`
}

/** Functions that the folders of the core show to others. */
function shown(): Map<ts.Declaration, Fn> {
  const found = new Map<ts.Declaration, Fn>()
  for (const file of files.filter((name) => name.endsWith('/index.ts'))) {
    const face = checker.getSymbolAtLocation(program.getSourceFile(file)!)
    for (const symbol of face ? checker.getExportsOfModule(face) : []) {
      const real = symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol
      const declaration = real.declarations?.[0]
      const own = declaration && functionOf(declaration)
      if (own) found.set(declaration, own)
    }
  }
  return found
}

const isNumber = (type: ts.Type): boolean =>
  (type.isUnion() ? type.types : [type]).every(
    ({ flags }) => (flags & (ts.TypeFlags.NumberLike | ts.TypeFlags.Undefined)) !== 0,
  )

describe('what the core shows', () => {
  const functions = shown()

  it('is told in a comment', () => {
    expect(functions.size).toBeGreaterThan(200)
    expect([...functions.keys()].filter((one) => !docOf(one)).map(placeOf)).toEqual([])
  })

  it('says of every number that it takes or gives in what unit it is, or what it counts', () => {
    const lacks = [...functions].flatMap(([declaration, own]) => {
      const doc = docOf(declaration)
      const signature = checker.getSignatureFromDeclaration(own)!
      const returned = checker.getReturnTypeOfSignature(signature)
      const taken = own.parameters.filter(
        (one) => ts.isIdentifier(one.name) && isNumber(checker.getTypeAtLocation(one)),
      )
      const all = [
        ...taken.map((one) => `@param ${one.name.getText()} `),
        ...(isNumber(returned) && !(returned.flags & ts.TypeFlags.Undefined) ? ['@returns '] : []),
      ]
      return all.filter((tag) => !doc.includes(tag)).map((tag) => `${placeOf(declaration)}: ${tag}`)
    })
    expect(lacks).toEqual([])
  })
})

describe('whatever throws in the core', () => {
  it('says so', () => {
    const silent: string[] = []
    const walk = (node: ts.Node, owner: ts.Node | undefined): void => {
      const own =
        functionOf(node) || ts.isMethodDeclaration(node) || ts.isConstructorDeclaration(node) ? node : owner
      if (ts.isThrowStatement(node) && own && !docOf(own).includes('@throws')) silent.push(placeOf(node))
      ts.forEachChild(node, (child) => walk(child, own))
    }
    for (const file of files) walk(program.getSourceFile(file)!, undefined)
    expect(silent).toEqual([])
  })
})
