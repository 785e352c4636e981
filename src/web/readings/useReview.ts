import { partIn } from '../../core/circuit'
import { computed, ref, type Ref } from 'vue'
import { repliesSchema, reviewSchema, type Reply, type Review } from '../../contract'
import { judgedSchema } from '../../core/assessment'
import { advance, startBench, type Arrangement } from '../../core/attempt'
import { piecesOf, wireUp } from '../../core/model'
import { locate } from '../../core/instruments'
import { ask, send } from '../api/client'
import { useAct } from '../api/useAct'
import { stepWords } from './stepWords'
import { when } from '../parts/when'

/** One attempt and what the engine says of it: for the instructor, or as its student has got it back. */
export function useReview(id: string, own: boolean) {
  const from = own ? '/desk' : '/orders'
  const review = ref<Review | null>(null)
  const { wrong: trouble, act, failed } = useAct()
  const at = ref(0)

  async function load() {
    const found = await ask(reviewSchema, `${from}/${id}/review`)
    review.value = found
    at.value = Math.max(0, found.steps.length - 1)
    // The steps are there at once; the verdicts fill in.
    if (!found.judged)
      void ask(judgedSchema, `${from}/${id}/judgement`).then(
        (judged) => (review.value = { ...review.value!, judged }),
        failed,
      )
  }
  /** Looks anew while somebody works at it; whoever stands at an earlier step stays there. */
  async function follow() {
    const last = (review.value?.steps.length ?? 1) - 1
    const stay = at.value < last ? at.value : undefined
    const judged = review.value?.judged ?? null
    try {
      await load()
    } catch (error) {
      failed(error)
      return
    }
    // Until the new verdicts are there, the old ones stand.
    if (review.value && !review.value.judged) review.value = { ...review.value, judged }
    if (stay !== undefined) at.value = stay
  }
  async function giveBack() {
    const { released, judged } = review.value!
    await act(async () => {
      const found = await send(reviewSchema, `/orders/${id}/released`, { released: !released }, 'PUT')
      review.value = { ...found, judged: found.judged ?? judged }
    })
  }
  /** Whether the mark of a newer judge takes the place of the one that was given back. */
  async function settle(taken: boolean) {
    await act(async () => {
      review.value = await send(reviewSchema, `/orders/${id}/rejudged`, { taken })
    })
  }
  async function answer(reply: Reply) {
    await act(async () => {
      const replies = await send(repliesSchema, `/desk/${id}/replies`, reply, 'PUT')
      review.value = { ...review.value!, replies }
    })
  }
  return {
    review,
    trouble,
    act,
    at,
    load,
    follow,
    giveBack,
    settle,
    answer,
    ...useWays(review as Ref<Review>, at),
  }
}

/** What the drawing and the curves show of a review at one of its steps. */
function useWays(review: Ref<Review>, at: Ref<number>) {
  const wiring = computed(() => wireUp(review.value.circuit))
  const steps = computed(() => review.value.steps.map(({ step }) => step))
  const judged = computed(() => review.value.judged)
  /** Simulated minutes after each step. */
  const minutes = computed(() => {
    const { circuit, faults, frame } = review.value
    const order = { circuit, planted: faults, frame }
    let bench = startBench(order)
    return steps.value.map((step) => (bench = advance(order, bench, step)).minutes)
  })
  const rows = computed(() => {
    let tests = 0
    return review.value.steps.map(({ step, at: time }, i) => ({
      i,
      time: when(time),
      minutes: minutes.value[i]!,
      judgements: (judged.value?.judgements ?? []).filter((j) => j.step === i),
      left: judged.value?.suspects[i]?.length,
      ...stepWords(review.value.circuit, step, step.type === 'test' ? ++tests : tests),
    }))
  })
  /** The student’s marks on the drawing, as they stood at the chosen step. */
  const marks = computed(() => {
    const last = steps.value.slice(0, at.value + 1).findLast((s) => s.type === 'infer')
    const parts = (pieces: readonly string[] = []) => new Set(pieces.map((p) => partIn(p)))
    return last?.type === 'infer'
      ? { struck: parts(last.struck), ringed: parts(last.ringed) }
      : { struck: new Set<string>(), ringed: new Set<string>() }
  })
  /** What the readings up to the chosen step had really cleared, and what they left. */
  const cleared = computed(() => {
    const left = new Set((judged.value?.suspects[at.value] ?? []).map((p) => partIn(p)))
    const all = piecesOf(review.value.circuit).map(({ part }) => part)
    return { struck: new Set(all.filter((part) => !left.has(part))), ringed: left }
  })
  const current = computed(() => steps.value[at.value])
  const arrangement = computed((): Arrangement => {
    const found = steps.value.slice(0, at.value + 1).findLast((s) => 'arrangement' in s)
    return found && 'arrangement' in found ? found.arrangement : { controls: {}, detached: [] }
  })
  /** Both ways on one drawing: the student’s readings by number, those of a short way by letter. */
  const ways = computed(() => {
    const { circuit } = review.value
    const tags = new Map<number, string[]>()
    const put = (held: Parameters<typeof locate>[2], name: string) => {
      const located = locate(circuit, wiring.value, held)
      if (!located.ok || located.place.type === 'jaws') return
      for (const node of [located.place.red, located.place.black])
        tags.set(node, [...(tags.get(node) ?? []), name])
    }
    let tests = 0
    for (const step of steps.value) if (step.type === 'test') put(step.held, String(++tests))
    judged.value?.path.forEach(({ held }, i) => put(held, String.fromCharCode(65 + i)))
    return new Map([...tags].map(([node, names]) => [node, [...new Set(names)].join(' ')]))
  })
  const curves = computed(() => {
    const first = judged.value?.suspects[0]?.length ?? 0
    const student = rows.value.flatMap(({ i, minutes: m, left }) =>
      left === undefined ? [] : [{ minutes: m, left, step: i }],
    )
    let sum = 0
    const short = (judged.value?.path ?? []).map((p) => ({ minutes: (sum += p.minutes), left: p.left }))
    return { student, short: [{ minutes: 0, left: first }, ...short] }
  })
  return { wiring, rows, marks, cleared, current, arrangement, ways, curves }
}
