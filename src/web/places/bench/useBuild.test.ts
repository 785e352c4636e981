import { type Message } from '../../../core/document'
import { tell } from '../../../core/words'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, nextTick, ref } from 'vue'
import { applyEdit, emptyCircuit, type Edit } from '../../../core/editing'
import { type Circuit } from '../../../core/circuit'
import type { StoredCircuit } from '../../../contract'
import { useCircuit } from '../../stores/circuit'
import { useBuild } from './useBuild'

const id = '6f9619ff-8b86-4d01-b42d-00cf4fc964ff'

/** A server that keeps one circuit and applies edits as the real one does. */
function pretendServer(circuit: Circuit) {
  let stored: StoredCircuit = { id, revision: 1, circuit, undo: false, redo: false, plant: null }
  const labels: string[] = []
  vi.stubGlobal('fetch', (_: string, { method, body }: { method: string; body?: string }) => {
    if (method === 'POST') {
      const { edit } = JSON.parse(body!) as { edit: Edit }
      const edited = applyEdit(stored.circuit, edit)
      if (!edited.ok) throw new Error(tell(edited.problem))
      if (edit.type === 'arrange') labels.push(tell(edit.label as Message))
      stored = { ...stored, circuit: edited.circuit, revision: stored.revision + 1, undo: true }
    }
    return Promise.resolve(new Response(JSON.stringify(stored)))
  })
  return { labels, now: () => stored.circuit }
}

describe('building on the Bench', () => {
  let server: ReturnType<typeof pretendServer>
  let build: ReturnType<typeof useBuild>
  const path = ref(0)
  const chosen = ref<string | null>(null)
  const ids = () => build.current.value.steps.map((s) => s.part)

  beforeEach(async () => {
    setActivePinia(createPinia())
    server = pretendServer(emptyCircuit('b'))
    const store = useCircuit()
    await store.load(id)
    path.value = 0
    chosen.value = null
    build = useBuild(
      computed(() => store.circuit!),
      path,
      chosen,
    )
  })

  it('puts what is typed at the caret, and the caret after it', async () => {
    expect(build.typed('fuse 10, lamp 21')).toBe(true)
    expect(ids()).toEqual(['F1', 'L1'])
    chosen.value = 'F1'
    await nextTick()
    expect(build.at.value).toBe(1)
    build.typed('wire 1.5 2, switch')
    expect(ids()).toEqual(['F1', 'W1', 'S1', 'L1'])
    expect(build.at.value).toBe(3)
    expect(build.typed('nonsense 5')).toBe(false)
    expect(ids()).toHaveLength(4)
    await useCircuit().settled()
    expect(server.now().paths[0]!.steps.map((s) => s.part)).toEqual(['F1', 'W1', 'S1', 'L1'])
    expect(server.labels[1]).toMatch(/inserted$/)
  })

  it('goes to the path of a part that is chosen elsewhere, and to a new branch', async () => {
    build.typed('fuse 10, lamp 21')
    build.typed('from F1b: horn')
    expect(path.value).toBe(1)
    expect(chosen.value).toBe('HN1')
    chosen.value = 'L1'
    await nextTick()
    expect(path.value).toBe(0)
  })

  it('moves, copies, pastes, doubles, replaces and takes out what is chosen', async () => {
    build.typed('fuse 10, switch, lamp 21')
    chosen.value = 'S1'
    await nextTick()
    build.move(-1)
    expect(ids()).toEqual(['S1', 'F1', 'L1'])
    build.move(-1)
    expect(ids()).toEqual(['S1', 'F1', 'L1'])
    build.copy()
    chosen.value = 'L1'
    await nextTick()
    build.paste()
    expect(ids()).toEqual(['S1', 'F1', 'L1', 'S2'])
    build.duplicate()
    expect(ids()).toEqual(['S1', 'F1', 'L1', 'S2', 'S3'])
    build.replace('pushButton')
    expect(ids()).toEqual(['S1', 'F1', 'L1', 'S2', 'PB1'])
    await nextTick()
    build.remove()
    expect(ids()).toEqual(['S1', 'F1', 'L1', 'S2'])
    expect(chosen.value).toBe('S2')
    build.place(1)
    build.insertKind('connector')
    expect(ids()).toEqual(['S1', 'X1', 'F1', 'L1', 'S2'])
  })

  it('says why when building is refused, and leaves all as it was', async () => {
    build.typed('fuse 10')
    chosen.value = 'B1'
    await nextTick()
    build.remove()
    expect(useCircuit().failure).toMatch(/only battery/)
    expect(ids()).toEqual(['F1'])
  })
})
