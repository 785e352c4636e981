import { ref } from 'vue'
import { uuid } from '../parts/uuid'
import { RequestFailure } from './client'

/**
 * An act that is to happen once, however often its button is pressed: while it is on its way further presses do nothing, and
 * after a lost answer the next press has the same key, under which the server does it once.
 * @param about what it is about: another content is another act
 */
export function useOneAct(about: () => unknown) {
  const busy = ref(false)
  let key = ''
  let content = ''
  async function once<T>(work: (key: string) => Promise<T>): Promise<T | undefined> {
    if (busy.value) return undefined
    const now = JSON.stringify(about())
    if (!key || now !== content) key = uuid()
    content = now
    busy.value = true
    try {
      const result = await work(key)
      key = ''
      return result
    } catch (error) {
      // Refused, it did not happen; without an answer nobody knows.
      if (error instanceof RequestFailure && !error.isTemporary) key = ''
      throw error
    } finally {
      busy.value = false
    }
  }
  return { busy, once }
}
