import { storedCircuitSchema, type Plant, type StoredCircuit } from '../../contract/circuits'
import type { Edit } from '../../core/editing'
import { isSignedOut, retryWhileOffline, post, send } from '../api/client'
import { unsent } from '../api/unsent'
import { uuid } from '../parts/uuid'
import type { SaveState } from './open'

/** One change of a circuit that the server has not acknowledged yet. */
export type Change =
  | { readonly type: 'edit'; readonly edit: Edit }
  | { readonly type: 'undo' | 'redo' }
  | { readonly type: 'plant'; readonly plant: Plant }
export interface Unsent {
  readonly key: string
  readonly circuit: string
  readonly change: Change
}
interface Kept {
  readonly changes: Unsent[]
  /** The revision of each circuit that its next change is made on. */
  readonly revisions: readonly (readonly [circuit: string, revision: number])[]
}

export interface QueueEvents {
  /** The server has made it: what it has now; nothing for what was planted. */
  readonly made: (one: Unsent, answer: StoredCircuit | undefined) => void
  /** The server refuses it: it is left out. */
  readonly refused: (one: Unsent, error: unknown) => Promise<void>
  readonly state: (state: SaveState) => void
}

/** Milliseconds in which what is planted while a slider is dragged becomes one change. */
const gather = 120

/**
 * Sends changes one after the other, each on the revision that the one before has made, for as long as it takes. What is not
 * acknowledged outlives a reload and an ended session; each has a key, so that one whose answer was lost is made once.
 */
export function circuitQueue({ made, refused, state }: QueueEvents) {
  let changes: Unsent[] = []
  const revisions = new Map<string, number>()
  let running: Promise<void> | undefined
  /** Being sent just now: what is planted meanwhile is a change of its own. */
  let sending: Unsent | undefined
  const store = unsent<Kept>('circuits')

  const keep = () => store.write(changes.length ? { changes, revisions: [...revisions] } : undefined)

  /** Takes up what a page of before has left; to be called once somebody is known. */
  function takeUp(): void {
    if (running || changes.length) return
    const kept = store.read()
    if (!kept) return
    changes = kept.changes
    for (const [circuit, revision] of kept.revisions) revisions.set(circuit, revision)
  }

  function add(circuit: string, change: Change): void {
    const last = changes.at(-1)
    if (
      change.type === 'plant' &&
      last?.change.type === 'plant' &&
      last.circuit === circuit &&
      last !== sending
    )
      changes[changes.length - 1] = { ...last, change }
    else changes.push({ key: uuid(), circuit, change })
    keep()
    void run()
  }

  function run(): Promise<void> {
    if (!changes.length) return running ?? Promise.resolve()
    state('saving')
    return (running ??= drain().finally(() => {
      running = undefined
      sending = undefined
    }))
  }

  async function drain(): Promise<void> {
    while (changes.length) {
      if (changes[0]!.change.type === 'plant') await new Promise((done) => setTimeout(done, gather))
      const one = changes[0]!
      sending = one
      let answer: StoredCircuit | undefined
      try {
        answer = await retryWhileOffline(
          () => sendOne(one),
          (waiting) => state(waiting ? 'waiting' : 'saving'),
        )
      } catch (error) {
        if (isSignedOut(error)) return state('signedOut')
        changes = changes.filter((other) => other !== one)
        revisions.delete(one.circuit)
        keep()
        await refused(one, error)
        continue
      }
      changes = changes.filter((other) => other !== one)
      if (answer) revisions.set(one.circuit, answer.revision)
      keep()
      made(one, answer)
    }
    state('saved')
  }

  async function sendOne({ key, circuit, change }: Unsent): Promise<StoredCircuit | undefined> {
    const path = `/circuits/${circuit}`
    switch (change.type) {
      case 'edit':
        return send(storedCircuitSchema, `${path}/edits`, {
          revision: revisions.get(circuit) ?? 0,
          edit: change.edit,
          key,
        })
      case 'undo':
      case 'redo':
        return send(storedCircuitSchema, `${path}/${change.type}`, { key })
      case 'plant':
        await post(`${path}/plant`, change.plant, 'PUT')
        return undefined
    }
  }

  return {
    takeUp,
    add,
    run,
    /** Changes of a circuit that are still to come, in order. */
    of: (circuit: string): readonly Unsent[] => changes.filter((one) => one.circuit === circuit),
    /** A circuit as the server has it: its next change is made on this, unless some are on their way already. */
    seen: ({ id, revision }: StoredCircuit): void => {
      if (!changes.some(({ circuit }) => circuit === id) || !revisions.has(id)) revisions.set(id, revision)
      keep()
    },
    /** Once nothing is on its way: everything is saved, or waits for somebody to sign in. */
    settled: (): Promise<void> => running ?? Promise.resolve(),
    /** Out of this page; what is not sent stays where it is kept. */
    forget: (): void => {
      changes = []
      revisions.clear()
    },
  }
}
