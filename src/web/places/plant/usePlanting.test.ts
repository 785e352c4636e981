import { beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, effectScope, nextTick, ref, shallowRef } from 'vue'
import { demoCircuit } from '../../../../test/demo'
import type { Plant } from '../../../contract'
import { wireUp, walkPaths } from '../../../core/model'
import type { Fault } from '../../../core/faults'

/** What the search beside the page would have found: said by the test. */
const found = shallowRef<unknown>(null)
vi.mock('./useSymptom', () => ({ useSymptom: () => ({ found, looking: ref(false), marks: ref([]) }) }))
const { usePlanting } = await import('./usePlanting')

const circuit = demoCircuit('van-cooling-fan')
const walks = walkPaths(circuit)
const pathWith = (part: string) => walks.findIndex(({ strides }) => strides.some((s) => s.part === part))
const open = (part: string, segment: string, severity = 1e9): Fault => ({
  kind: 'open',
  part,
  segment,
  severity,
})

describe('planting', () => {
  const plant = ref<Plant>({ faults: [], state: 'x', limits: '', complaint: '' })
  const path = ref(0)
  const stepped: string[] = []
  let bench: ReturnType<typeof usePlanting>
  beforeEach(() => {
    found.value = null
    plant.value = { faults: [], state: circuit.states[0]!.id, limits: '', complaint: '' }
    path.value = 0
    stepped.length = 0
    bench = effectScope().run(() =>
      usePlanting({
        circuit: computed(() => circuit),
        plant: computed(() => plant.value),
        wiring: computed(() => wireUp(circuit)),
        path,
        change: (part) => (plant.value = { ...plant.value, ...part }),
        step: (which) => stepped.push(which),
      }),
    )!
  })

  it('shows a path on which the fault lies, and leaves the one that is shown where it lies on it', () => {
    const coil = walks.findIndex((walk, i) => i !== 0 && walk.strides.some((s) => s.segment.key === 'coil'))
    const onlyThere = walks[coil]!.strides.find(({ part }) => pathWith(part) === coil)!
    bench.plantAt(open(onlyThere.part, onlyThere.segment.key))
    expect(path.value).toBe(coil)
    path.value = 0
    const shared = walks[0]!.strides[0]!
    bench.plantAt(open(shared.part, shared.segment.key))
    expect(path.value).toBe(0)
  })

  it('puts a fault in the place of the one at hand, beside it after “another”, and takes out what is at hand', () => {
    bench.plantAt(open('W2', 'copper'))
    bench.plantAt(open('W3', 'copper'))
    expect(plant.value.faults.map((f) => f.part)).toEqual(['W3'])
    bench.another()
    expect(bench.fault.value).toBe(null)
    bench.plantAt(open('F1', 'link'))
    expect(plant.value.faults.map((f) => f.part)).toEqual(['W3', 'F1'])
    bench.point('W3')
    expect(bench.fault.value?.part).toBe('W3')
    bench.plantAt(null)
    expect(plant.value.faults.map((f) => f.part)).toEqual(['F1'])
    expect(bench.fault.value?.part).toBe('F1')
  })

  it('keeps a fault at hand when steps are taken back', () => {
    bench.plantAt(open('W2', 'copper'))
    bench.another()
    bench.plantAt(open('W3', 'copper'))
    expect(bench.active.value).toBe(1)
    plant.value = { ...plant.value, faults: [open('W2', 'copper')] }
    bench.stepBack('undo')
    expect(stepped).toEqual(['undo'])
    expect(bench.fault.value?.part).toBe('W2')
  })

  describe('the size and the state in which it shows', () => {
    const shows = (states: string[], severity: number) => ({
      symptom: { states, complaint: [] },
      sized: { by: 'symptom', fault: { kind: 'highResistance', part: 'W3', segment: 'copper', severity } },
    })
    const joint: Fault = { kind: 'highResistance', part: 'W3', segment: 'copper', severity: 1 }
    const [first, second] = circuit.states.map(({ id }) => id) as [string, string]

    it('are taken up for a fault that was just chosen', async () => {
      bench.plantAt(joint)
      found.value = shows([second], 4.7)
      await nextTick()
      expect(plant.value.faults[0]).toMatchObject({ severity: 4.7 })
      expect(plant.value.state).toBe(second)
    })

    it('are left alone once somebody has set them', async () => {
      bench.plantAt(joint)
      found.value = shows([second], 4.7)
      await nextTick()
      bench.plantAt({ ...joint, severity: 9 })
      plant.value = { ...plant.value, state: first }
      found.value = shows([second], 4.7)
      await nextTick()
      expect(plant.value.faults[0]).toMatchObject({ severity: 9 })
      expect(plant.value.state).toBe(first)
    })

    it('of a fault that shows nowhere leave the state', async () => {
      bench.plantAt(joint)
      found.value = { symptom: { states: [], complaint: [] }, sized: null }
      await nextTick()
      expect(plant.value.state).toBe(first)
    })
  })
})
