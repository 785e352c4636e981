import { ref } from 'vue'
import { messageOf } from './client'

/** What somebody does in a place: whether it is under way, what went wrong, what was done. */
export function useAct() {
  const busy = ref(false)
  const wrong = ref('')
  const said = ref('')

  /**
   * Does it, and says what went wrong.
   * @returns whether it was done
   */
  async function act(work: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    wrong.value = said.value = ''
    try {
      await work()
      return true
    } catch (error) {
      wrong.value = messageOf(error)
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, wrong, said, act }
}
