import { computed, ref } from 'vue'
import {
  drillItemSchema,
  drillToldSchema,
  type DrillAnswer,
  type DrillItem,
  type DrillTold,
} from '../../../contract/drills'
import { send } from '../../api/client'
import { useAct } from '../../api/useAct'

/** Questions of one sitting: about ten minutes. */
export const sitting = 10

/** Question by question: asked, answered, told, and on; what was answered is kept by the server at once. */
export function useDrill(ask: () => { readonly set?: string; readonly kind?: string }) {
  const item = ref<DrillItem | null>(null)
  const told = ref<DrillTold | null>(null)
  const given = ref<DrillAnswer | null>(null)
  /** Shares of this sitting, in order. */
  const shares = ref<number[]>([])
  const { wrong, busy, act } = useAct()

  const next = () =>
    act(async () => {
      const fresh = await send(drillItemSchema, '/drills/next', ask())
      told.value = given.value = null
      item.value = fresh
    })
  const answer = (answered: DrillAnswer) =>
    act(async () => {
      if (!item.value || told.value) return
      const said = await send(drillToldSchema, `/drills/${item.value.id}/answer`, answered)
      given.value = answered
      told.value = said
      shares.value = [...shares.value, said.share]
    })
  function leave() {
    item.value = told.value = given.value = null
    shares.value = []
  }
  const right = computed(() => shares.value.filter((share) => share === 1).length)
  const over = computed(() => told.value !== null && shares.value.length >= sitting)
  return { item, told, given, shares, right, over, wrong, busy, next, answer, leave }
}
