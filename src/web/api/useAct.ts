import { ref } from 'vue'
import { messageOf } from './client'

/** What somebody does in a place: whether it is under way, what went wrong, what was done. */
export function useAct() {
  const busy = ref(false)
  const wrong = ref('')
  const said = ref('')

  /** Says what went wrong with something that runs beside the acts. */
  function failed(error: unknown): void {
    wrong.value = messageOf(error)
  }
  /**
   * Does it, and says what went wrong, or what was done.
   * @param done what is said once it is done; nothing by default
   * @returns whether it was done
   */
  async function act(work: () => unknown, done = ''): Promise<boolean> {
    busy.value = true
    wrong.value = said.value = ''
    try {
      await work()
      said.value ||= done
      return true
    } catch (error) {
      failed(error)
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, wrong, said, act, failed }
}
