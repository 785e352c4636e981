import { type Message } from '../../core/document'
import { tell } from '../words'
import { dequal } from 'dequal/lite'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { storedCircuitSchema, type Plant, type StoredCircuit } from '../../contract/circuits'
import { applyEdit, arrangement, type Built, type Edit } from '../../core/editing'
import { openingState, type Circuit } from '../../core/circuit'
import { ask, messageOf } from '../api/client'
import { circuitQueue, type Unsent } from './circuit-queue'
import { useOpen, type SaveState } from './open'
import { useOpened, type Opened } from './opened'

/** The circuit that Bench, Plant and Sheet work on, and the part that all of them light. */
export const useCircuit = defineStore('circuit', () => {
  const { note } = useOpened()
  const stored = shallowRef<StoredCircuit | null>(null)
  const lit = ref<string | null>(null)
  const saveState = ref<SaveState>('saved')
  const failure = ref<string | null>(null)
  const queue = circuitQueue({
    state: (now) => (saveState.value = now),
    made: ({ circuit: id, change }, answer) => {
      if (answer && stored.value?.id === id) accept(answer, change.type !== 'edit')
    },
    refused: async ({ circuit: id }, error) => {
      failure.value = messageOf(error)
      if (stored.value?.id === id) await look(id)
    },
  })

  async function load(id: string, place?: Opened['place']): Promise<void> {
    queue.takeUp()
    if (stored.value?.id !== id) {
      lit.value = null
      plantPast.length = plantFuture.length = 0
    }
    await look(id)
    failure.value = null
    void queue.run()
    if (place) note({ id, name: stored.value!.circuit.name, place })
  }

  /** The circuit as the server has it, with the changes that it has not acknowledged yet. */
  async function look(id: string): Promise<void> {
    const found = await ask(storedCircuitSchema, `/circuits/${id}`)
    queue.seen(found)
    stored.value = queue.of(id).reduce(withChange, found)
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
    queue.add(now.id, { type: 'edit', edit: change })
    return true
  }

  /** Builds: the structure changes at once and is saved behind. What building refuses is said. */
  function build<B extends Built>(label: Message, work: (circuit: Circuit) => B): B | undefined {
    const now = stored.value
    if (!now) return undefined
    const built = work(now.circuit)
    if (!built.ok) {
      failure.value = tell(built.problem)
      return built
    }
    return edit(arrangement(built.circuit, label)) ? built : undefined
  }

  /** While more changes wait, what is on screen is newer than the answer: only the revision is taken over. */
  function accept(answer: StoredCircuit, whole: boolean): void {
    const now = stored.value!
    if (queue.of(answer.id).length) stored.value = { ...now, revision: answer.revision }
    // The server made the same of it, as it should: what is shown then stays, and nothing is worked out twice.
    else if (!whole && dequal(now.circuit, answer.circuit)) stored.value = { ...answer, circuit: now.circuit }
    else stored.value = answer
  }

  function step(way: 'undo' | 'redo'): Promise<void> {
    const now = stored.value
    if (!now) return Promise.resolve()
    failure.value = null
    queue.add(now.id, { type: way })
    return queue.settled()
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
    queue.add(now.id, { type: 'plant', plant })
  }

  const settled = () => queue.settled()

  /** Nothing of what one person had open may be there for the next. What was not sent stays kept for its owner. */
  function clear(): Promise<void> {
    queue.forget()
    stored.value = null
    lit.value = null
    failure.value = null
    plantPast.length = plantFuture.length = 0
    return Promise.resolve()
  }

  const open = useOpen()
  watch([stored, saveState], ([now, state]) => {
    open.circuit = now && { id: now.id, name: now.circuit.name, vehicle: now.circuit.vehicle }
    open.saveState = state
  })
  open.onLeave(settled, clear)

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

/** A circuit with one of the changes that are on their way; what does not fit any more changes nothing. */
function withChange(now: StoredCircuit, { change }: Unsent): StoredCircuit {
  if (change.type === 'plant') return { ...now, plant: change.plant }
  if (change.type !== 'edit') return now
  const edited = applyEdit(now.circuit, change.edit)
  return edited.ok ? { ...now, circuit: edited.circuit, undo: true, redo: false } : now
}
