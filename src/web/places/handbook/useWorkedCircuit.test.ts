import { beforeEach, describe, expect, it, vi } from 'vitest'
import { createPinia, setActivePinia } from 'pinia'
import { effectScope, nextTick, ref } from 'vue'
import { demoCircuit } from '../../../../test/demo'
import { openingState } from '../../../core/circuit'
import { useSession } from '../../stores/session'
import { demoCircuits } from './circuits'
import { useWorkedCircuit, type Example } from './useWorkedCircuit'

const names = [...demoCircuits.keys()]
const [lamp, other] = [
  names.find((n) => n.includes('work-lamp'))!,
  names.find((n) => n.includes('cooling-fan'))!,
]
const circuit = demoCircuits.get(lamp)!
const example: Example = {
  circuit: lamp,
  state: circuit.states.at(-1)!.id,
  path: circuit.paths[0]!.id,
  faults: [{ kind: 'open', part: 'X2', segment: 'pin', severity: 1e9 }],
}
const ownId = '6f9619ff-8b86-4d01-b42d-00cf4fc964ff'

describe('where an entry of the handbook is walked', () => {
  let asked: string[]
  let desk: object[]
  beforeEach(() => {
    setActivePinia(createPinia())
    asked = []
    desk = []
    vi.stubGlobal('fetch', (url: string) => {
      asked.push(url)
      const answer = url.endsWith('/desk')
        ? { rows: desk, count: desk.length, after: null }
        : url.includes(`/circuits/${ownId}`)
          ? {
              id: ownId,
              revision: 1,
              circuit: demoCircuit('van-key-off-drain'),
              undo: false,
              redo: false,
              plant: null,
            }
          : []
      return Promise.resolve(new Response(JSON.stringify(answer)))
    })
  })
  const openedBy = (role: 'instructor' | 'student', of = ref(example)) => {
    useSession().user = { id: ownId, login: 'x', name: 'X', role } as ReturnType<typeof useSession>['user']
    return effectScope().run(() =>
      useWorkedCircuit(
        () => of.value,
        (c) => c.paths.map(({ id }) => id),
      ),
    )!
  }

  it('is the example at first, sound until its fault is asked for', () => {
    const worked = openedBy('student')
    expect([worked.name.value, worked.path.value, worked.stateId.value]).toEqual([
      lamp,
      example.path,
      example.state,
    ])
    expect(worked.faults.value).toEqual([])
    worked.faulted.value = true
    expect(worked.faults.value).toEqual(example.faults)
  })

  it('is another circuit in its opening state, without a fault that was meant for the example; and back again', async () => {
    const worked = openedBy('student')
    worked.faulted.value = true
    await worked.choose(other)
    expect(worked.state.value.id).toBe(openingState(demoCircuits.get(other)!).id)
    expect(worked.fitting.value).toContain(worked.path.value)
    expect(worked.faults.value).toEqual([])
    await worked.choose(lamp)
    expect([worked.path.value, worked.stateId.value]).toEqual([example.path, example.state])
    expect(worked.faults.value).toEqual(example.faults)
  })

  it('is an instructor’s own circuit too, fetched once', async () => {
    const worked = openedBy('instructor')
    await worked.choose(ownId)
    expect(worked.circuit.value.name).toBe(demoCircuit('van-key-off-drain').name)
    await worked.choose(lamp)
    await worked.choose(ownId)
    expect(asked.filter((url) => url.includes(ownId))).toHaveLength(1)
  })

  it('goes on with the next entry, sound again', async () => {
    const of = ref(example)
    const worked = openedBy('student', of)
    worked.faulted.value = true
    const next = demoCircuits.get(other)!
    of.value = { circuit: other, state: next.states[0]!.id, path: next.paths[0]!.id, faults: [] }
    await nextTick()
    expect([worked.name.value, worked.faulted.value]).toEqual([other, false])
  })

  it('is closed to a student who has a test on it in hand, not to one who practises or has finished', async () => {
    const order = (name: string, mode: string, concluded: boolean) => ({
      id: ownId,
      circuit: name,
      complaint: '',
      mode,
      created: '2026-11-26T09:00:00Z',
      concluded: concluded ? '2026-11-26T10:00:00Z' : null,
      released: null,
      station: null,
      round: null,
      steps: 0,
    })
    desk = [
      order(circuit.name, 'test', false),
      order(demoCircuits.get(other)!.name, 'test', true),
      order('Something else', 'practice', false),
    ]
    const worked = openedBy('student')
    await vi.waitFor(() => expect(worked.closed.value).toBe(true))
    await worked.choose(other)
    expect(worked.closed.value).toBe(false)
    const teacher = openedBy('instructor')
    await nextTick()
    expect(teacher.closed.value).toBe(false)
  })
})
