import { useLocalStorage } from '@vueuse/core'

/** A circuit that was opened on this machine, and where. */
export interface Opened {
  readonly id: string
  readonly name: string
  readonly place: 'bench' | 'plant' | 'sheet'
  /** Milliseconds. */
  readonly at: number
}

const most = 6

/** What was opened last, the newest first; kept on this machine, as a pile on a desk is. */
export function useOpened() {
  const opened = useLocalStorage<Opened[]>('brachyon.opened', [])
  const note = (one: Omit<Opened, 'at'>) => {
    opened.value = [{ ...one, at: Date.now() }, ...opened.value.filter(({ id }) => id !== one.id)].slice(
      0,
      most,
    )
  }
  return { opened, note }
}
