import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { tell } from '../words'
import type { Sortable } from '../../core/readings'

/** How the sheet's rows are picked and put in order; pins are remembered for each circuit on this machine. */
export function useRows(circuit: string) {
  const filter = ref('')
  const changedOnly = ref(false)
  const pinnedOnly = ref(false)
  const sort = ref<'path' | 'name' | 'value' | 'difference'>('path')
  const pins = useLocalStorage<string[]>(`brachyon.pins.${circuit}`, [])
  const pinned = computed(() => new Set(pins.value))
  const pin = (id: string) =>
    (pins.value = pinned.value.has(id) ? pins.value.filter((p) => p !== id) : [...pins.value, id])

  function arrange<T extends Sortable>(rows: readonly T[]): T[] {
    const words = filter.value.toLowerCase().split(/\s+/).filter(Boolean)
    const kept = rows.filter(
      (r) =>
        (!changedOnly.value || r.bad) &&
        (!pinnedOnly.value || pinned.value.has(r.id)) &&
        words.every((w) => `${r.id} ${r.at} ${tell(r.title)}`.toLowerCase().includes(w)),
    )
    if (sort.value === 'name') kept.sort((a, b) => a.id.localeCompare(b.id, 'en', { numeric: true }))
    if (sort.value === 'value') kept.sort((a, b) => b.size - a.size)
    if (sort.value === 'difference') kept.sort((a, b) => b.difference - a.difference)
    return kept
  }
  return { filter, changedOnly, pinnedOnly, sort, pins, pinned, pin, arrange }
}
export type RowsView = ReturnType<typeof useRows>
