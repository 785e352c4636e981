import { computed, ref } from 'vue'
import { findPieces, piecesOf, walkPaths } from '../../../core/model'
import type { DeskModel } from './useDesk'

const mostUndone = 60

/** What the student has struck out and ringed, by the pieces that the trade thinks in; each change can be taken back. */
export function useMarks(model: DeskModel) {
  /** The part that was touched last: its pieces and stretches are offered. */
  const touched = ref('')
  const namesOf = (names: readonly string[]) =>
    new Set(names.flatMap((name) => findPieces(model.circuit, name).map(({ id }) => id)))
  const struck = computed(() => namesOf(model.draft.struck))
  const ringed = computed(() => namesOf(model.draft.ringed))
  const pieces = computed(() => piecesOf(model.circuit))
  const left = computed(() => pieces.value.length - struck.value.size)
  /** Parts all of whose pieces carry the mark, as the drawing shows them. */
  const wholly = (marked: ReadonlySet<string>) => {
    const byPart = new Map<string, boolean>()
    for (const { id, part } of pieces.value) byPart.set(part, (byPart.get(part) ?? true) && marked.has(id))
    return new Set([...byPart].filter(([, all]) => all).map(([part]) => part))
  }
  const partly = (marked: ReadonlySet<string>) =>
    new Set(pieces.value.filter(({ id }) => marked.has(id)).map(({ part }) => part))
  const struckParts = computed(() => wholly(struck.value))
  const ringedParts = computed(() => partly(ringed.value))
  const own = computed(() => pieces.value.filter(({ part }) => part === touched.value))

  function keep(out: ReadonlySet<string>, rings: ReadonlySet<string>) {
    const { draft } = model
    draft.before = [
      ...(draft.before ?? []).slice(1 - mostUndone),
      { struck: draft.struck, ringed: draft.ringed },
    ]
    draft.struck = [...out]
    draft.ringed = [...rings]
  }
  /** Nothing, struck out, ringed, nothing: one key goes round; several pieces go together. */
  function mark(ids: readonly string[]) {
    const [out, rings] = [new Set(struck.value), new Set(ringed.value)]
    const were = ids.every((id) => out.has(id)) ? 'struck' : ids.every((id) => rings.has(id)) ? 'ringed' : ''
    for (const id of ids) {
      out.delete(id)
      rings.delete(id)
      if (were === '') out.add(id)
      else if (were === 'struck') rings.add(id)
    }
    keep(out, rings)
  }
  function markPart(part: string) {
    touched.value = part
    mark(findPieces(model.circuit, part).map(({ id }) => id))
  }
  /** Strikes out from a part up to the source, or down to the end of its side; the part itself with it. */
  function stretch(part: string, way: 'up' | 'down') {
    touched.value = part
    const walks = walkPaths(model.circuit)
    const at = (walk: (typeof walks)[number]) => walk.strides.findIndex((s) => s.part === part)
    const walk = walks.find((w) => at(w) >= w.own) ?? walks.find((w) => at(w) >= 0)
    if (!walk) return
    const first = at(walk)
    const { side } = walk.strides[first]!
    const last = walk.strides.findLastIndex((s) => s.part === part)
    const strides =
      way === 'up'
        ? walk.strides.slice(0, last + 1)
        : walk.strides.filter((s, i) => i >= first && (s.side === side || s.part === part))
    const out = new Set(struck.value)
    const rings = new Set(ringed.value)
    for (const { part: id, segment } of strides)
      for (const piece of findPieces(model.circuit, `${id}.${segment.key}`)) {
        out.add(piece.id)
        rings.delete(piece.id)
      }
    keep(out, rings)
  }
  const undoable = computed(() => (model.draft.before ?? []).length > 0)
  function undo() {
    const before = model.draft.before ?? []
    const last = before[before.length - 1]
    if (!last) return
    model.draft.before = before.slice(0, -1)
    model.draft.struck = last.struck
    model.draft.ringed = last.ringed
  }

  return {
    touched,
    struck,
    ringed,
    struckParts,
    ringedParts,
    left,
    own,
    mark,
    markPart,
    stretch,
    undoable,
    undo,
  }
}

export type Marks = ReturnType<typeof useMarks>
