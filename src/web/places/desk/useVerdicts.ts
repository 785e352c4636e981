import { tell } from '../../words'
import { computed, shallowRef, watch } from 'vue'
import { verdictsSchema } from '../../../contract'
import { useServer } from '../../api/useServer'
import type { DeskModel } from './useDesk'

/** In a practice each step is told what it was worth, as soon as the server has worked it out; in a test nothing is. */
export function useVerdicts(id: string, model: DeskModel) {
  const practice = computed(() => model.desk?.frame.mode === 'practice')
  const say = shallowRef(tell)
  const {
    data,
    wrong: failure,
    loading: working,
    again,
  } = useServer(verdictsSchema, () =>
    practice.value && model.steps.length ? `/desk/${id}/verdicts` : undefined,
  )
  const verdicts = computed(() => data.value ?? [])
  watch(
    () => model.steps.length,
    (_, before) => {
      if (practice.value && before) void again()
    },
  )
  watch(
    practice,
    async (is) => {
      // Only a practice needs the words of the rules.
      if (is) say.value = (await import('../../readings/verdictWords')).verdictWords(model.desk?.circuit)
    },
    { immediate: true },
  )
  return { practice, verdicts, say, failure, working }
}

export type DeskVerdicts = ReturnType<typeof useVerdicts>
