import { tell } from '../../words'
import { computed, ref, shallowRef, watch } from 'vue'
import { verdictsSchema, type Verdicts } from '../../../contract'
import { ask, messageOf } from '../../api/client'
import type { DeskModel } from './useDesk'

/** In a practice each step is told what it was worth, as soon as the server has worked it out; in a test nothing is. */
export function useVerdicts(id: string, model: DeskModel) {
  const practice = computed(() => model.desk?.frame.mode === 'practice')
  const verdicts = shallowRef<Verdicts>([])
  const say = shallowRef(tell)
  const failure = ref('')
  const working = ref(false)
  let asked = 0
  watch(
    () => [practice.value, model.steps.length] as const,
    async ([is, count]) => {
      if (!is || !count) return
      const mine = ++asked
      working.value = true
      try {
        const [found, { verdictWords }] = await Promise.all([
          ask(verdictsSchema, `/desk/${id}/verdicts`),
          // Only a practice needs the words of the rules.
          import('../../readings/verdictWords'),
        ])
        if (mine !== asked) return
        say.value = verdictWords(model.desk?.circuit)
        verdicts.value = found
        failure.value = ''
      } catch (error) {
        if (mine === asked) failure.value = messageOf(error)
      } finally {
        if (mine === asked) working.value = false
      }
    },
    { immediate: true },
  )
  return { practice, verdicts, say, failure, working }
}

export type DeskVerdicts = ReturnType<typeof useVerdicts>
