import { computed } from 'vue'
import { orderListSchema, type OrderState } from '../../../contract/lists'
import { usePages } from '../../api/usePages'
import { useScope } from '../../stores/scope'

/** Orders of one state in the chosen scope: the newest first, more on request, and how many there are in all. */
export function useOrderList(state: OrderState) {
  const store = useScope()
  const list = usePages(orderListSchema, () => {
    const query = new URLSearchParams(store.query)
    query.set('state', state)
    return `/orders?${query.toString()}`
  })
  /** The moment of which the count is. */
  const asOf = computed(() => list.first.value?.asOf ?? '')
  return { ...list, asOf }
}
export type OrderPages = ReturnType<typeof useOrderList>
