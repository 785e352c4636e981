import { tell } from '../words'
import { dequal } from 'dequal/lite'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { storedCircuitSchema, type Plant, type StoredCircuit } from '../../contract'
import { applyEdit, arrangement, openingState, type Built, type Circuit, type Edit } from '../../core/circuit'
import { ask, messageOf, persist, post, send } from '../api/client'
import { useOpen, type SaveState } from './open'
import { useOpened, type Opened } from './opened'

/** The circuit that Bench, Plant and Sheet work on, and the part that all of them light. */
export const useCircuit = defineStore('circuit', () => {
  const { note } = useOpened()
  const stored = shallowRef<StoredCircuit | null>(null)
  const lit = ref<string | null>(null)
  const saveState = ref<SaveState>('saved')
  const failure = ref<string | null>(null)
  let queue: Promise<void> = Promise.resolve()
  let waitingFor = 0

  async function load(id: string, place?: Opened['place']): Promise<void> {
    await queue
    if (stored.value?.id !== id) {
      lit.value = null
      plantPast.length = plantFuture.length = 0
    }
    stored.value = await ask(storedCircuitSchema, `/circuits/${id}`)
    failure.value = null
    if (place) note({ id, name: stored.value.circuit.name, place })
  }

  /** Runs saves one after the other, so that each is made on the revision before it. */
  function enqueue(work: () => Promise<void>): Promise<void> {
    waitingFor++
    saveState.value = 'saving'
    queue = queue
      .then(() => persist(work, (waiting) => (saveState.value = waiting ? 'waiting' : 'saving')))
      .catch(async (error: unknown) => {
        failure.value = messageOf(error)
        const id = stored.value?.id
        if (id) stored.value = await ask(storedCircuitSchema, `/circuits/${id}`)
      })
      .finally(() => {
        waitingFor--
        if (waitingFor === 0) saveState.value = 'saved'
      })
    return queue
  }

  /** Shows the change at once and saves it behind; false if the change itself is refused. */
  function edit(change: Edit): boolean {
    const now = stored.value
    if (!now) return false
    const edited = applyEdit(now.circuit, change)
    if (!edited.ok) {
      failure.value = tell(edited.problem)
      return false
    }
    failure.value = null
    stored.value = { ...now, circuit: edited.circuit, undo: true, redo: false }
    void enqueue(async () => {
      const { id, revision } = stored.value!
      accept(await send(storedCircuitSchema, `/circuits/${id}/edits`, { revision, edit: change }))
    })
    return true
  }

  /** Builds: the structure changes at once and is saved behind. What building refuses is said. */
  function build<B extends Built>(label: string, work: (circuit: Circuit) => B): B | undefined {
    const now = stored.value
    if (!now) return undefined
    const built = work(now.circuit)
    if (!built.ok) {
      failure.value = tell(built.problem)
      return built
    }
    return edit(arrangement(built.circuit, label)) ? built : undefined
  }

  /** While more edits wait, what is on screen is newer than the answer: only the revision is taken over. */
  function accept(answer: StoredCircuit): void {
    const now = stored.value
    if (!now) stored.value = answer
    else if (waitingFor > 1) stored.value = { ...now, revision: answer.revision }
    // The server made the same of it, as it should: what is shown then stays, and nothing is reckoned twice.
    else stored.value = dequal(now.circuit, answer.circuit) ? { ...answer, circuit: now.circuit } : answer
  }

  function step(way: 'undo' | 'redo'): Promise<void> {
    return enqueue(async () => {
      const id = stored.value!.id
      stored.value = await send(storedCircuitSchema, `/circuits/${id}/${way}`)
      failure.value = null
    })
  }

  /** What was planted before, and what was taken back; a slider that is dragged counts as one change. */
  const plantPast: (Plant | null)[] = []
  const plantFuture: (Plant | null)[] = []
  let plantAt = 0

  function savePlant(plant: Plant): void {
    const now = stored.value
    if (!now) return
    if (Date.now() - plantAt > 700) plantPast.push(now.plant)
    plantAt = Date.now()
    plantFuture.length = 0
    putPlant(plant)
  }

  function stepPlant(way: 'undo' | 'redo'): void {
    const now = stored.value
    const [from, to] = way === 'undo' ? [plantPast, plantFuture] : [plantFuture, plantPast]
    if (!now || !from.length) return
    to.push(now.plant)
    plantAt = 0
    putPlant(from.pop() ?? { faults: [], state: openingState(now.circuit).id, limits: '', complaint: '' })
  }

  function putPlant(plant: Plant): void {
    const now = stored.value
    if (!now) return
    stored.value = { ...now, plant }
    // A slider that is dragged plants sixty times a second: what still waits to be sent is overtaken by it.
    if (unsent?.id === now.id) {
      unsent.plant = plant
      return
    }
    const mine = (unsent = { id: now.id, plant })
    void enqueue(async () => {
      await new Promise((done) => setTimeout(done, 120))
      if (unsent === mine) unsent = null
      return post(`/circuits/${mine.id}/plant`, mine.plant, 'PUT')
    })
  }
  let unsent: { readonly id: string; plant: Plant } | null = null

  const settled = () => queue

  /** Nothing of what one person had open may be there for the next. */
  async function clear(): Promise<void> {
    await queue.catch(() => undefined)
    stored.value = null
    lit.value = null
    failure.value = null
    unsent = null
    plantPast.length = plantFuture.length = 0
  }

  const open = useOpen()
  watch([() => stored.value?.id ?? null, saveState], ([id, state]) => {
    open.circuit = id
    open.saveState = state
  })
  open.onLeave(clear)

  return {
    stored,
    lit,
    saveState,
    failure,
    circuit: computed(() => stored.value?.circuit ?? null),
    load,
    edit,
    build,
    undo: () => step('undo'),
    redo: () => step('redo'),
    savePlant,
    stepPlant,
    settled,
    clear,
  }
})
