import type { Circuit } from '../../core/circuit'
import {
  indistinguishable,
  signatures,
  signatureOf,
  testSetOf,
  type FaultSignature,
  type Signature,
  type TestSet,
} from '../../core/diagnosis'
import type { Fault } from '../../core/faults'

export interface SightAsk {
  /** Counts up; a later one ends what is under way for an earlier. */
  readonly id: number
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  /** Which of several that share the work this one is; the first says what is planted as well. */
  readonly share: { readonly nth: number; readonly of: number }
  /** Only gets ready: loads the engine and sees what will be asked of this circuit, faults of usual size. */
  readonly warm?: boolean
}
export type SightSays = { readonly id: number } & (
  | { readonly type: 'begun'; readonly testSet: TestSet; readonly planted: Signature | null }
  | {
      readonly type: 'seen'
      /** At their usual size. */
      readonly seen: readonly FaultSignature[]
      /** At any size: those that no test tells from what is planted. */
      readonly twins: readonly Fault[]
      readonly done: number
      readonly of: number
    }
  | { readonly type: 'done' }
)

const say = (message: SightSays) => postMessage(message)

type Step = { seen: FaultSignature; done: number; of: number }
/** What has been seen of one circuit is kept: planting another fault asks the same of all others. */
interface Known {
  readonly text: string
  readonly testSet: TestSet
  readonly steps: Step[]
  readonly rest: Generator<Step>
}
let known: Known | undefined
/** Numbers that may be kept; beyond it what is seen is forgotten once it is told. */
const mostKept = 6_000_000

function knownOf({ circuit, share }: SightAsk): Known {
  const text = JSON.stringify(circuit)
  if (known?.text !== text)
    known = { text, testSet: testSetOf(circuit), steps: [], rest: signatures(circuit, share) }
  return known
}

function* allOf(of: Known): Generator<Step> {
  yield* of.steps
  // By hand: leaving a loop over it would end it for whoever asks next.
  for (let next = of.rest.next(); !next.done; next = of.rest.next()) {
    if (known === of) of.steps.push(next.value)
    if (of.steps.length * of.testSet.tests.length > mostKept) known = undefined
    yield next.value
  }
}

let latest = 0
/** Lets the next message in. */
const breathe = () => new Promise((go) => setTimeout(go))

/** Sees the faults of usual size before anybody asks for them. */
async function ahead(all: Known, id: number): Promise<void> {
  for (const { seen } of allOf(all)) {
    if (seen.variant) return
    await breathe()
    if (latest !== id) return
  }
}

export async function work(data: SightAsk): Promise<void> {
  const { id, circuit, planted, share, warm } = data
  latest = id
  const all = knownOf(data)
  if (warm) return ahead(all, id)
  const { testSet } = all
  const own = planted.length ? signatureOf(circuit, planted) : null
  if (share.nth === 0) say({ id, type: 'begun', testSet, planted: own })
  let batch: FaultSignature[] = []
  let twins: Fault[] = []
  let told = performance.now()
  for (const { seen, done, of } of allOf(all)) {
    if (!seen.variant) batch.push(seen)
    if (own && indistinguishable(testSet, seen.signature, own)) twins.push(seen.fault)
    if (performance.now() - told < 150 && done < of) continue
    say({ id, type: 'seen', seen: batch, twins, done, of })
    batch = []
    twins = []
    await breathe()
    if (latest !== id) return
    told = performance.now()
  }
  say({ id, type: 'done' })
}
