import { useLocalStorage } from '@vueuse/core'
import { ref } from 'vue'
import { onForget } from './forget'

/** What somebody is introduced to: their own places, or the wall. */
export type Introduced = 'instructor' | 'student' | 'wall'

/** The introduction that is open, if one is. */
const open = ref<Introduced | null>(null)
onForget(() => (open.value = null))

/** A short way in for whoever is new: left at any time, and back from the keys. */
export function useIntroduction(user: string) {
  /** Which step of each was looked at last; `done` once it was gone through or put away. */
  const seen = useLocalStorage<Partial<Record<Introduced, number | 'done'>>>(
    `brachyon.introduction.${user}`,
    {},
  )
  const begin = (which: Introduced) => (open.value = which)
  function leave() {
    if (open.value) seen.value = { ...seen.value, [open.value]: 'done' }
    open.value = null
  }
  const putAway = (which: Introduced) => (seen.value = { ...seen.value, [which]: 'done' })
  const isNew = (which: Introduced) => seen.value[which] !== 'done'
  return { open, begin, leave, putAway, isNew }
}
