import { defineStore } from 'pinia'
import { ref } from 'vue'

export type SaveState = 'saved' | 'saving' | 'waiting'

/**
 * What the frame of the page shows of the circuit that is open. The circuit's own store brings the engine with it, which
 * nobody waits for who only signs in: it reports here.
 */
export const useOpen = defineStore('open', () => {
  const circuit = ref<string | null>(null)
  const saveState = ref<SaveState>('saved')
  let forget = (): Promise<void> => Promise.resolve()

  /** What is to be done before somebody else takes this browser over. */
  const onLeave = (work: () => Promise<void>): void => void (forget = work)
  const leave = (): Promise<void> => forget()
  return { circuit, saveState, onLeave, leave }
})
