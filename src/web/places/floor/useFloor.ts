import { useIntervalFn } from '@vueuse/core'
import { ref, watch, type Ref } from 'vue'
import { floorRowSchema, floorSchema, type FloorAct, type FloorRow } from '../../../contract/floor'
import { ask, post } from '../../api/client'
import { useLive } from '../../api/live'
import { useAct } from '../../api/useAct'
import { useScope } from '../../stores/scope'

/** Everybody at work within the chosen scope, as it changes. */
export function useFloor(heardClaims: () => void) {
  const scope = useScope()
  const rows: Ref<FloorRow[]> = ref([])
  /** How many there are in all, where more are going on than are shown. */
  const count = ref(0)
  const { wrong, act: doing, failed } = useAct()
  /** The clock by which minutes are counted, ms since 1970. */
  const now = ref(Date.now())
  useIntervalFn(() => (now.value = Date.now()), 10_000)

  /** Rows that came by themselves while the whole list was on its way: they are newer than what it says. */
  const newer = new Set<string>()
  async function load() {
    newer.clear()
    try {
      const { rows: list, count: all } = await ask(floorSchema, `/floor?${scope.query}`)
      count.value = all
      const kept = new Map(rows.value.filter(({ id }) => newer.has(id)).map((row) => [row.id, row]))
      rows.value = [
        ...list.map((row) => kept.get(row.id) ?? row),
        ...[...kept.values()].filter(({ id }) => !list.some((row) => row.id === id)),
      ]
      wrong.value = ''
    } catch (error) {
      failed(error)
    }
  }
  const { connected } = useLive(
    '/floor/live',
    {
      row: (data) => {
        const row = floorRowSchema.parse(data)
        // What goes on elsewhere in the school is not looked at here.
        if (scope.people && !scope.people.has(row.student.id)) return
        newer.add(row.id)
        const at = rows.value.findIndex(({ id }) => id === row.id)
        rows.value = at < 0 ? [...rows.value, row] : rows.value.map((old, i) => (i === at ? row : old))
        now.value = Date.now()
      },
      claims: heardClaims,
    },
    () => {
      void load()
      heardClaims()
    },
  )
  useIntervalFn(() => {
    if (!connected.value) void load()
  }, 6000)
  watch(
    () => scope.query,
    () => {
      rows.value = []
      void load()
    },
  )
  const act = (row: FloorRow, what: FloorAct) => doing(() => post(`/orders/${row.id}/acts`, what))
  return { scope, rows, count, wrong, now, connected, load, act }
}
