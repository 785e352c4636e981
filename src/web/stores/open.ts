import { defineStore } from 'pinia'
import { ref } from 'vue'

/** `signedOut`: the session has ended with changes still to be sent; they are kept until their owner signs in again. */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'signedOut'

/**
 * What the frame of the page shows of the circuit that is open. The circuit's own store brings the engine with it, which
 * nobody waits for who only signs in: it reports here.
 */
export const useOpen = defineStore('open', () => {
  const circuit = ref<{ readonly id: string; readonly name: string; readonly vehicle: string } | null>(null)
  const saveState = ref<SaveState>('saved')
  let forget = (): Promise<void> => Promise.resolve()
  let wait = (): Promise<void> => Promise.resolve()

  /** What is to be waited for, and done, before somebody else takes this browser over. */
  const onLeave = (settle: () => Promise<void>, work: () => Promise<void>): void => {
    wait = settle
    forget = work
  }
  const settled = (): Promise<void> => wait()
  const leave = (): Promise<void> => forget()
  return { circuit, saveState, onLeave, settled, leave }
})
