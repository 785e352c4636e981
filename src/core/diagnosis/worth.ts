import type { CircuitState } from '../circuit'
import { instrumentOf, settingsOf } from '../instruments'
import { volts } from '../instruments/kinds/volts'
import type { TestSetup } from './evidence'
import type { Hypothesis } from './hypotheses'
import type { Predictor } from './predictor'

/**
 * Bits that a test is expected to remove from the doubt about which hypothesis holds: the entropy of its
 * outcomes (Shannon). Hypotheses whose readings overlap, directly or through a neighbour, are one outcome.
 */
export function expectedBits(
  predictor: Predictor,
  survivors: readonly Hypothesis[],
  setup: TestSetup,
): number {
  const spans = survivors.flatMap((h) => {
    const interval = predictor.interval(h, setup)
    return interval ? [{ ...interval, weight: h.prior }] : []
  })
  if (spans.length === 0) return 0
  spans.sort((p, q) => p.low - q.low)
  const total = spans.reduce((sum, s) => sum + s.weight, 0)
  // Cells of one severity grid touch, so a strict chain of overlaps would call everything one outcome.
  // Cut the scale instead into slices as wide as the narrowest reading can tell apart.
  const bins = new Map<string, number>()
  for (const span of spans) {
    const middle = (span.low + span.high) / 2
    const slice = Number.isFinite(middle) ? String(instrumentOf(setup.instrument).tells(middle)) : 'OL'
    bins.set(slice, (bins.get(slice) ?? 0) + span.weight)
  }
  let bits = 0
  for (const weight of bins.values()) bits -= (weight / total) * Math.log2(weight / total)
  return bits
}

export interface Choice {
  readonly setup: TestSetup
  readonly bits: number
}

/** Volts from every point to the reference in the given states: the tests that anyone can do at once. */
export function ordinaryTests(predictor: Predictor, states: readonly CircuitState[]): TestSetup[] {
  return states.flatMap((state) =>
    predictor.wiring.points
      .filter((point) => point.node !== 0 && !point.inside)
      .map((point) => ({
        state,
        instrument: volts.key,
        settings: settingsOf(volts),
        place: { type: 'leads' as const, red: point.node, black: 0 },
      })),
  )
}

/** The ordinary test that is expected to tell most now. */
export function bestTest(
  predictor: Predictor,
  survivors: readonly Hypothesis[],
  states: readonly CircuitState[],
): Choice | undefined {
  let best: Choice | undefined
  for (const setup of ordinaryTests(predictor, states)) {
    const bits = expectedBits(predictor, survivors, setup)
    if (!best || bits > best.bits + 1e-12) best = { setup, bits }
  }
  return best
}
