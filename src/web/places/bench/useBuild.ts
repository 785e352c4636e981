import { say, messageOf, type Message } from '../../../core/document'
import { t, tell } from '../../words'
import { computed, ref, watch, type Ref } from 'vue'
import {
  addPath,
  changePins,
  commonReturn,
  copySteps,
  moveStep,
  presets,
  readQuick,
  removeParts,
  replacePart,
  type Built,
  type Item,
  insertItems,
} from '../../../core/editing'
import type { Circuit, TerminalRef } from '../../../core/circuit'
import { partOfKind, type Pins } from '../../../core/parts'
import { useCircuit } from '../../stores/circuit'

/** Building by paths: where the caret stands, what is chosen, and what may be done there. */
export function useBuild(circuit: Ref<Circuit>, path: Ref<number>, chosen: Ref<string | null>) {
  const store = useCircuit()
  /** Before which step of the path new parts go; at the end until it is placed. */
  const caret = ref<number | null>(null)
  const clipboard = ref<readonly Item[]>([])
  const said = ref('')
  const current = computed(() => circuit.value.paths[path.value] ?? circuit.value.paths[0]!)
  const at = computed(() => Math.min(caret.value ?? Infinity, current.value.steps.length))
  /** Index of the chosen part on the current path, −1 where it is not on it. */
  const index = computed(() => current.value.steps.findIndex((s) => s.part === chosen.value))

  watch(chosen, (id) => {
    if (!id) return
    if (index.value < 0) {
      const elsewhere = circuit.value.paths.findIndex((p) => p.steps.some((s) => s.part === id))
      if (elsewhere >= 0) path.value = elsewhere
    }
    if (index.value >= 0) caret.value = index.value + 1
  })

  function take(built: Built | undefined, next?: number): boolean {
    if (!built?.ok) return false
    said.value = built.said ? tell(built.said) : ''
    if (next !== undefined) caret.value = next
    return true
  }

  function insert(items: readonly Item[], label: Message): boolean {
    const here = at.value
    const built = store.build(label, (c) => insertItems(c, current.value.id, here, items))
    if (!take(built, here + items.length) || !built?.ok) return false
    chosen.value = built.touched[built.touched.length - 1] ?? null
    return true
  }

  /** A part of a kind, with the values that the trade would take. */
  function insertKind(kind: string): boolean {
    const definition = partOfKind(kind)
    const parameters = presets(circuit.value, definition)
    return insert(
      [{ new: { kind, parameters } }],
      say('ui.bench.putIn', { title: messageOf(definition.title) }),
    )
  }

  function branch(from: TerminalRef, to: TerminalRef, items: readonly Item[]): boolean {
    const built = store.build(say('ui.bench.newPath'), (c) => addPath(c, { from, to, items }))
    if (!take(built) || !built?.ok) return false
    path.value = circuit.value.paths.length - 1
    caret.value = items.length
    chosen.value = built.touched[built.touched.length - 1] ?? null
    return true
  }

  /** A typed line: into the path at the caret, or a path of its own where it says from where or to where. */
  function typed(line: string): boolean {
    const read = readQuick(circuit.value, line)
    if (!read.ok) return false
    if (read.from || read.to) {
      const from = read.from ?? circuit.value.paths[0]!.from
      return branch(from, read.to ?? commonReturn(circuit.value), read.items)
    }
    return insert(read.items, say('ui.bench.putIn2', { join: read.shown }))
  }

  function remove(): void {
    const id = chosen.value
    if (!id) return
    const here = index.value
    if (!take(store.build(say('ui.bench.takenOut', { id }), (c) => removeParts(c, [id])))) return
    path.value = Math.min(path.value, circuit.value.paths.length - 1)
    chosen.value = current.value.steps[Math.min(here, current.value.steps.length - 1)]?.part ?? null
    if (here >= 0) caret.value = Math.min(here, current.value.steps.length)
  }

  function move(by: -1 | 1): void {
    const from = index.value
    const to = from + by
    if (from < 0 || to < 0 || to >= current.value.steps.length) return
    reorder(from, to)
  }

  /** Moves the step at `from` so that it then stands at `to`. */
  function reorder(from: number, to: number): void {
    const { id, steps } = current.value
    const part = steps[from]?.part
    const target = { path: id, index: to > from ? to + 1 : to }
    take(
      store.build(say('ui.bench.moved', { part: part ?? '' }), (c) =>
        moveStep(c, { path: id, index: from }, target),
      ),
    )
    if (part) chosen.value = part
    caret.value = to + 1
  }

  function copy(): void {
    if (index.value < 0) return
    clipboard.value = copySteps(circuit.value, current.value.id, index.value, index.value + 1)
    said.value = t('ui.bench.copiedPasteItAnywhere', { chosen: chosen.value })
  }
  /** The whole path, to be pasted as new parts. */
  function copyPath(): void {
    clipboard.value = copySteps(circuit.value, current.value.id, 0, current.value.steps.length)
    said.value = t('ui.bench.partsCopied', { count: clipboard.value.length })
  }
  const paste = (): boolean => clipboard.value.length > 0 && insert(clipboard.value, say('ui.bench.pasted'))

  function duplicate(): void {
    if (index.value < 0) return
    const items = copySteps(circuit.value, current.value.id, index.value, index.value + 1)
    caret.value = index.value + 1
    insert(items, say('ui.bench.duplicated', { chosen: chosen.value ?? '' }))
  }

  function replace(kind: string): void {
    const id = chosen.value
    if (!id) return
    const parameters = presets(circuit.value, partOfKind(kind))
    const built = store.build(say('ui.bench.replaced', { id }), (c) =>
      replacePart(c, id, { kind, parameters }),
    )
    if (take(built) && built?.ok) chosen.value = built.touched[0] ?? null
  }

  function setPins(pins: Pins): void {
    const id = chosen.value
    if (id) take(store.build(say('ui.bench.pinsOf', { id }), (c) => changePins(c, id, pins)))
  }

  const place = (index: number | null) => void (caret.value = index)

  return {
    place,
    caret,
    at,
    current,
    index,
    clipboard,
    said,
    insert,
    insertKind,
    branch,
    typed,
    remove,
    move,
    reorder,
    copy,
    copyPath,
    paste,
    duplicate,
    replace,
    setPins,
  }
}

export type Build = ReturnType<typeof useBuild>
