import { ref, watch } from 'vue'
import { orderListSchema, type OrderRow, type OrderState } from '../../../contract/lists'
import { ask } from '../../api/client'
import { useScope } from '../../stores/scope'

/** Orders of one state in the chosen scope: the newest first, more on request, and how many there are in all. */
export function useOrderList(state: OrderState, failed: (error: unknown) => void) {
  const store = useScope()
  const rows = ref<OrderRow[]>([])
  const count = ref(0)
  const after = ref<string | null>(null)
  /** The moment of which the count is. */
  const asOf = ref('')
  let asked = 0

  async function read(from: string | null): Promise<void> {
    const mine = ++asked
    const query = new URLSearchParams(store.query)
    query.set('state', state)
    if (from !== null) query.set('after', from)
    const page = await ask(orderListSchema, `/orders?${query.toString()}`)
    // Of two that are on their way only the later counts.
    if (mine !== asked) return
    rows.value = from === null ? page.rows : [...rows.value, ...page.rows]
    count.value = page.count
    after.value = page.after
    asOf.value = page.asOf
  }
  const load = () => read(null)
  const more = () => read(after.value).catch(failed)
  watch(
    () => store.query,
    () => void load().catch(failed),
  )
  return { rows, count, after, asOf, load, more }
}
