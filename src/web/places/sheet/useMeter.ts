import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import {
  leafletOf,
  leafletSchema,
  meterOf,
  meterOfLeaflet,
  meters,
  workshopMeter,
  type Leaflet,
} from '../../../core/instruments'

/** Which meter this school has: remembered on this machine. */
export function useMeter() {
  const id = useLocalStorage('brachyon.meter', meters[0]!.id)
  const kept = useLocalStorage<Leaflet>('brachyon.leaflet', leafletOf(workshopMeter))
  const leaflet = computed(() => {
    const read = leafletSchema.safeParse(kept.value)
    return read.success ? read.data : leafletOf(workshopMeter)
  })
  const meter = computed(() => (id.value === 'own' ? meterOfLeaflet(leaflet.value) : meterOf(id.value)))
  const set = (field: keyof Leaflet, value: number) => (kept.value = { ...leaflet.value, [field]: value })
  return { id, leaflet, meter, set }
}
