import { computed, reactive, ref } from 'vue'
import type { z } from 'zod'
import { problemsOf } from '../../core/document'
import { messageOf, RequestFailure } from '../api/client'
import { loadWords, tell } from '../words'

/**
 * A form with the rules of the schema that the server reads it by: what is wrong stands at its field, before it is sent and
 * where the server refuses it. Fields that the schema does not know are left to whoever sends them.
 * @param schema the contract’s own
 * @param first what stands in it at first
 */
export function useForm<S extends z.ZodObject, F extends Record<string, unknown>>(schema: S, first: () => F) {
  const values = reactive(first()) as F
  /** What is wrong, by field. */
  const errors = ref<Partial<Record<string, string>>>({})
  /** What is wrong with the whole, or with what has no field here. */
  const wrong = ref('')
  const busy = ref(false)
  const changed = computed(() => JSON.stringify(values) !== JSON.stringify(first()))

  const input = (): unknown => Object.fromEntries(Object.keys(schema.shape).map((key) => [key, values[key]]))

  /** What a list of problems says of each field. */
  function put(problems: readonly { readonly where: string; readonly text: string }[]): void {
    const found: Partial<Record<string, string>> = {}
    const rest: string[] = []
    for (const { where, text } of problems) {
      const field = where.split('.')[0] ?? ''
      if (!(field in values)) rest.push(text)
      else found[field] ??= text
    }
    errors.value = found
    wrong.value = rest[0] ?? ''
  }

  /**
   * Reads the form.
   * @returns what is to be sent; undefined where a field is wrong, and says so
   */
  async function read(): Promise<z.output<S> | undefined> {
    const found = schema.safeParse(input())
    if (found.success) {
      put([])
      return found.data
    }
    await loadWords().catch(() => undefined)
    put(problemsOf(found.error).map((problem) => ({ where: problem.where, text: tell(problem) })))
    return undefined
  }
  /** Looks at one field that somebody has left; an empty one is not wrong yet. */
  async function left(field: string): Promise<void> {
    const known = schema.shape[field] as z.ZodType | undefined
    if (!known || values[field] === '') return
    const found = known.safeParse(values[field])
    if (!found.success) await loadWords().catch(() => undefined)
    errors.value = {
      ...errors.value,
      [field]: found.success ? undefined : tell(problemsOf(found.error)[0]!),
    }
  }

  /**
   * Reads it and sends it.
   * @returns whether it was taken
   */
  async function submit(work: (data: z.output<S>) => Promise<unknown>): Promise<boolean> {
    const data = await read()
    if (data === undefined || busy.value) return false
    busy.value = true
    try {
      await work(data)
      return true
    } catch (error) {
      const problems = error instanceof RequestFailure ? error.problems : []
      if (problems.length) put(problems.map((problem) => ({ where: problem.where, text: tell(problem) })))
      else wrong.value = messageOf(error)
      return false
    } finally {
      busy.value = false
    }
  }
  function reset(): void {
    Object.assign(values, first())
    put([])
  }
  return reactive({ values, errors, wrong, busy, changed, left, submit, reset })
}

export type FormOf = Pick<ReturnType<typeof useForm>, 'errors' | 'left'>
