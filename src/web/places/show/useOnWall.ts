import { computed, type Ref } from 'vue'
import { firstSource } from '../../../core/circuit'
import { wireUp } from '../../../core/model'
import { smallLosses } from '../../../core/readings'
import { stopsOf } from './stops'
import type { Showing, Shown } from './useShow'

/** What the drawing and the course of volts have on the wall, as far as the class has come. */
export function useOnWall(
  { circuit }: Shown,
  show: Showing,
  columns: { readonly healthy: Ref<boolean>; readonly faulted: Ref<boolean> },
) {
  const { now, open, path, healthy, faulted } = show
  const wiring = computed(() => wireUp(circuit))
  /** Points of the path that is asked about, as far as the class has come. */
  const pathNow = computed(() => {
    const ask = now.value
    const i = ask?.type === 'volts' ? circuit.paths.findIndex(({ id }) => id === ask.path) : path.value
    return Math.max(0, i)
  })
  const stops = computed(() => {
    const ask = now.value
    const names = show.asks.value.flatMap((one) =>
      one.type === 'volts' &&
      (!ask || ask.type !== 'volts' || (one.path === ask.path && one.state === ask.state))
        ? [one.point]
        : [],
    )
    return stopsOf(names, pathNow.value, healthy.value, faulted.value)
  })
  const shownStops = computed(() => {
    const ask = now.value
    if (ask?.type !== 'volts') return 0
    const i = stops.value.findIndex(({ name }) => name === ask.point)
    return open.value ? i : i + 1
  })
  const stop = computed(() => stops.value.find(({ name }) => name === point.value))
  /** Losses that are hairs on the scale of the source are drawn by themselves. */
  const small = computed(() => {
    const balance = faulted.value?.balances[pathNow.value]
    return balance !== undefined && smallLosses(balance)
  })
  /** What the class has seen is tinted by its volts; nothing else on the drawing says any. */
  const tint = computed(() => {
    const nodes = new Map(wiring.value.points.map(({ name, node }) => [name, node]))
    const key = columns.faulted.value ? 'faulted' : 'healthy'
    const most = Math.max(1, ...stops.value.map((one) => one.healthy ?? 0))
    return new Map(
      stops.value.slice(0, shownStops.value).flatMap((one) => {
        const node = nodes.get(one.name)
        return node === undefined || one[key] === undefined ? [] : [[node, one[key] / most] as const]
      }),
    )
  })
  const stateNow = computed(() => circuit.states.find(({ id: one }) => one === show.shownState.value))
  const black = computed(() => {
    const source = firstSource(circuit.parts)
    return now.value?.type === 'volts' && source ? `${source.id}−` : ''
  })
  /** A relay that is pulled in is drawn so. */
  const notices = computed(() =>
    Object.fromEntries(
      ((columns.faulted.value ? faulted : healthy).value?.notices ?? []).map((n) => [n.part, n]),
    ),
  )
  const lit = computed(() => (now.value?.type === 'light' ? now.value.part : null))
  const point = computed(() => (now.value?.type === 'volts' ? now.value.point : ''))
  return { wiring, stops, shownStops, stop, small, tint, stateNow, black, notices, lit, point }
}
