import type { Circuit } from '../../circuit'
import { faultOfKind, possibleFaults, type Fault } from '../../faults'
import { isApart } from '../../readings'
import { signatureOf, type Signature, type TestSet } from './test-set'

/** Indices of the tests that reveal a board. */
export const revealing = ({ healthy, band }: TestSet, signature: Signature): number[] =>
  [...signature.keys()].filter((i) => isApart(signature[i]!, healthy[i]!, band[i]!))

/** Whether no test tells the two apart. */
export function indistinguishable({ band }: TestSet, a: Signature, b: Signature): boolean {
  for (let i = 0; i < a.length; i++) if (isApart(a[i]!, b[i]!, band[i]!)) return false
  return true
}

export interface FaultSignature {
  readonly fault: Fault
  readonly signature: Signature
  /** A further size of a fault that was seen at its usual one. */
  readonly variant: boolean
}

/**
 * Sees every fault of the catalogue, at its usual size first and then at the sizes of its kind's grid; one a step, so that
 * whoever asks can show how far it has come and stop. Several may share the work: each takes every so-many-th.
 */
export function* signatures(
  circuit: Circuit,
  { nth, of: sharers } = { nth: 0, of: 1 },
): Generator<{ seen: FaultSignature; done: number; of: number }> {
  const usual = possibleFaults(circuit)
  const variants = usual.flatMap((fault) =>
    (faultOfKind(fault.kind).severity?.grid ?? [])
      .filter((severity) => severity !== fault.severity)
      .map((severity) => ({ ...fault, severity })),
  )
  const mine = <T>(list: readonly T[]) => list.filter((_, i) => i % sharers === nth)
  const of = mine(usual).length + mine(variants).length
  let done = 0
  for (const [list, variant] of [
    [usual, false],
    [variants, true],
  ] as const)
    for (const fault of mine(list))
      yield { seen: { fault, signature: signatureOf(circuit, [fault]), variant }, done: ++done, of }
}
