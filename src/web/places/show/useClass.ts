import { useEventListener } from '@vueuse/core'
import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { z } from 'zod'
import { spreadSchema, type QuestionBody } from '../../../contract'
import { ask, messageOf, post, send } from '../../api/client'
import { useLive } from '../../api/live'

/**
 * The class’s own screens: what stands on the wall as a question is put to them, and closed when it is shown. Without a
 * connection the demonstration goes on without them.
 * @param question what is open on the wall; undefined while nothing is
 */
export function useClass(question: Ref<QuestionBody | undefined>) {
  const on = ref(false)
  /** Of one class, or of everybody. */
  const group = ref<string | null>(null)
  const values = ref<readonly (number | string)[]>([])
  const trouble = ref('')
  let id: string | null = null
  let turn = Promise.resolve()

  async function look(): Promise<void> {
    const asked = id
    if (!asked) return
    const { values: found } = await ask(spreadSchema, `/questions/${asked}/answers`)
    if (id === asked) values.value = found
  }
  const quietly = (work: () => Promise<void>) =>
    (turn = turn.then(work).then(
      () => void (trouble.value = ''),
      (error: unknown) => void (trouble.value = messageOf(error)),
    ))

  watch([question, on, group], ([body, now]) => {
    void quietly(async () => {
      if (now && body) {
        values.value = []
        const made = await send(z.object({ id: z.uuid() }), '/questions', { body, class: group.value })
        id = made.id
      } else if (id && !body) {
        await post(`/questions/${id}`, undefined, 'DELETE')
        // What came in the last moment counts.
        await look()
        id = null
      } else if (id) {
        await post(`/questions/${id}`, undefined, 'DELETE')
        id = null
        values.value = []
      }
    })
  })
  useLive('/room/live', { answered: () => void quietly(look) }, () => void quietly(look))
  /** Also when the page itself goes: the request outlives it. */
  const leave = () => {
    if (id) void fetch(`/api/questions/${id}`, { method: 'DELETE', keepalive: true }).catch(() => undefined)
    id = null
  }
  useEventListener('pagehide', leave)
  onScopeDispose(leave)
  return { on, group, values, trouble, forget: () => (values.value = []) }
}
