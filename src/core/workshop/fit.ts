import { type Message, say, type Words } from '../document'
import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { solveBoard } from '../board'
import { wireUp } from '../model'
import { type Circuit } from '../circuit'
import { voltsAccuracy, workshopMeter, type MeterType } from '../instruments'
import { partOfKind, type FieldMeta } from '../parts'
import type { Unit } from '../quantity'

/** A reading that somebody took on the real, healthy board. */
export interface Measured {
  readonly state: string
  /** Short names of the points, red first. */
  readonly red: string
  readonly black: string
  readonly volts: number
}

/** A value of the model that the board is allowed to move, and how far sound ones usually stray: ln of the factor. */
interface Free {
  readonly part: string
  readonly name: string
  readonly label: Words
  readonly unit: Unit
  readonly from: number
  readonly spread: number
  readonly least: number
  readonly most: number
}

export interface Change {
  readonly part: string
  readonly name: string
  readonly label: Words
  readonly unit: Unit
  readonly from: number
  readonly to: number
  /** How many of its usual spreads it moved; above three no sound part does. */
  readonly spreads: number
}

export interface Residual extends Measured {
  readonly before: number
  readonly after: number
  /** What the meter may be off by, V. */
  readonly accuracy: number
  /** The fitted board still does not show this: it is a slip of the pen, or something that the drawing does not have. */
  readonly unexplained: boolean
}

export type Fitted =
  | {
      readonly ok: true
      readonly circuit: Circuit
      readonly changes: readonly Change[]
      readonly residuals: readonly Residual[]
      /** Root mean square of what is left, volts, before and after. */
      readonly rms: readonly [number, number]
    }
  | { readonly ok: false; readonly why: Message }

const least = 2e-5
const mostRounds = 25

/**
 * Fits the model to a real board by weighted least squares: readings weigh by what the meter may be off, values are held
 * near where they were by their usual spread. Gauss–Newton with Levenberg's damping in ln of the values, by which all stay
 * positive; derivatives by finite differences. (Madsen, Nielsen and Tingleff, Methods for Non-Linear Least Squares
 * Problems, 2004.) The circuit given is left as it was.
 */
export function fitBoard(
  circuit: Circuit,
  readings: readonly Measured[],
  meter: MeterType = workshopMeter,
): Fitted {
  if (!readings.length) return { ok: false, why: say('workshop.noReading') }
  const wiring = wireUp(circuit)
  for (const { red, black, state } of readings) {
    for (const name of [red, black])
      if (!wiring.find(name)) return { ok: false, why: say('workshop.noPoint', { name }) }
    if (!circuit.states.some((s) => s.id === state))
      return { ok: false, why: say('workshop.noState', { id: state }) }
  }
  const free = freeValues(circuit)
  const sigma = readings.map((r) => Math.max(0.5e-3, voltsAccuracy(r.volts, meter) / 2))
  const model = (x: readonly number[]): number[] | undefined =>
    readingsOf(withValues(circuit, free, x), readings)
  let x = free.map(() => 0)
  const first = model(x)
  if (!first) return { ok: false, why: say('workshop.noEquilibrium') }
  let now = first
  // A slip of the pen must not bend the whole board: far misses weigh less (Huber).
  const weigh = (values: readonly number[]) =>
    values.map((v, i) => {
      const off = Math.abs((readings[i]!.volts - v) / sigma[i]!)
      return off <= 3 ? 1 : Math.sqrt(3 / off)
    })
  const cost = (values: readonly number[], at: readonly number[]) =>
    values.reduce((sum, v, i) => {
      const off = Math.abs((readings[i]!.volts - v) / sigma[i]!)
      return sum + (off <= 3 ? off * off : 6 * off - 9)
    }, 0) + at.reduce((sum, v, j) => sum + (v / free[j]!.spread) ** 2, 0)
  let damping = 1e-3
  for (let round = 0; round < mostRounds; round++) {
    const weights = weigh(now)
    const jacobian = free.map((_, j) => {
      const step = 1e-4
      const moved = model(x.map((v, k) => (k === j ? v + step : v)))
      return now.map((v, i) => (((moved?.[i] ?? v) - v) / step / sigma[i]!) * weights[i]!)
    })
    const n = free.length
    const normal = Matrix.zeros(n, n)
    const right = Matrix.zeros(n, 1)
    for (let j = 0; j < n; j++) {
      for (let k = 0; k <= j; k++) {
        const sum = jacobian[j]!.reduce((s, v, i) => s + v * jacobian[k]![i]!, 0)
        normal.set(j, k, sum)
        normal.set(k, j, sum)
      }
      const prior = 1 / free[j]!.spread ** 2
      normal.set(j, j, (normal.get(j, j) + prior) * (1 + damping))
      const pull = jacobian[j]!.reduce(
        (s, v, i) => s + (v * weights[i]! * (readings[i]!.volts - now[i]!)) / sigma[i]!,
        0,
      )
      right.set(j, 0, pull - prior * x[j]!)
    }
    const change = new CholeskyDecomposition(normal).solve(right).to1DArray()
    const next = x.map((v, j) => v + Math.max(-1, Math.min(1, change[j]!)))
    const values = model(next)
    if (values && cost(values, next) <= cost(now, x)) {
      const gained = cost(now, x) - cost(values, next)
      x = next
      now = values
      damping = Math.max(1e-9, damping / 10)
      if (gained < 1e-6) break
    } else {
      damping *= 10
      if (damping > 1e6) break
    }
  }
  const fitted = withValues(circuit, free, x)
  const rms = (values: readonly number[]) =>
    Math.sqrt(values.reduce((s, v, i) => s + (readings[i]!.volts - v) ** 2, 0) / values.length)
  return {
    ok: true,
    circuit: fitted,
    changes: free
      .flatMap((f, j): Change[] =>
        Math.abs(x[j]!) < 0.02
          ? []
          : [
              {
                part: f.part,
                name: f.name,
                label: f.label,
                unit: f.unit,
                from: f.from,
                to: valueAt(f, x[j]!),
                spreads: Math.abs(x[j]!) / f.spread,
              },
            ],
      )
      .sort((a, b) => b.spreads - a.spreads),
    residuals: readings.map((r, i) => ({
      ...r,
      before: r.volts - first[i]!,
      after: r.volts - now[i]!,
      accuracy: 2 * sigma[i]!,
      unexplained: Math.abs(r.volts - now[i]!) > 6 * sigma[i]!,
    })),
    rms: [rms(first), rms(now)],
  }
}

function freeValues(circuit: Circuit): Free[] {
  return circuit.parts.flatMap((part) => {
    const definition = partOfKind(part.kind)
    return Object.entries(definition.parameters.shape).flatMap(([name, schema]): Free[] => {
      const value = part.parameters[name]
      const spread = partOfKind(part.kind).spread?.[name]
      if (spread === undefined || typeof value !== 'number') return []
      const { label, unit } = (schema as { meta: () => FieldMeta }).meta()
      const fits = (v: number) =>
        (schema as { safeParse: (v: unknown) => { success: boolean } }).safeParse(v).success
      // The schema knows its own range: what does not fit is pulled back to where it was.
      const most = [1e3, 100, 10, 3, 2, 1.5, 1.2, 1].find((f) => fits(Math.max(value, least) * f)) ?? 1
      const down = [1e3, 100, 10, 3, 2, 1.5, 1.2, 1].find((f) => fits(Math.max(value, least) / f)) ?? 1
      const from = Math.max(value, least)
      return [{ part: part.id, name, label, unit, from, spread, least: from / down, most: from * most }]
    })
  })
}

const valueAt = (f: Free, x: number) =>
  Number(Math.min(f.most, Math.max(f.least, f.from * Math.exp(x))).toPrecision(9))

function withValues(circuit: Circuit, free: readonly Free[], x: readonly number[]): Circuit {
  const changed = new Map<string, Record<string, number>>()
  free.forEach((f, j) => {
    if (x[j] === 0) return
    const values = changed.get(f.part) ?? {}
    values[f.name] = valueAt(f, x[j]!)
    changed.set(f.part, values)
  })
  return {
    ...circuit,
    parts: circuit.parts.map((p) => {
      const values = changed.get(p.id)
      return values ? { ...p, parameters: { ...p.parameters, ...values } } : p
    }),
  }
}

function readingsOf(circuit: Circuit, readings: readonly Measured[]): number[] | undefined {
  const wiring = wireUp(circuit)
  const boards = new Map<string, ReturnType<typeof solveBoard>>()
  const values: number[] = []
  for (const { state, red, black } of readings) {
    let solved = boards.get(state)
    if (!solved) {
      solved = solveBoard(
        circuit,
        [],
        circuit.states.find((s) => s.id === state)!,
      )
      boards.set(state, solved)
    }
    if (!solved.ok) return undefined
    values.push(
      solved.point.voltage[wiring.find(red)!.node]! - solved.point.voltage[wiring.find(black)!.node]!,
    )
  }
  return values
}
