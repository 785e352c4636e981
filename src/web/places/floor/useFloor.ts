import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'
import { floorRowSchema, floorSchema, type FloorAct, type FloorRow } from '../../../contract/floor'
import { post } from '../../api/client'
import { useLive } from '../../api/live'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import { useScope } from '../../stores/scope'

/** Everybody at work within the chosen scope, as it changes. */
export function useFloor(heardClaims: () => void) {
  const scope = useScope()
  const rows: Ref<FloorRow[]> = ref([])
  const list = useServer(floorSchema, () => `/floor?${scope.query}`)
  /** How many there are in all, where more are going on than are shown. */
  const count = computed(() => list.data.value?.count ?? 0)
  const { wrong: refused, act: doing } = useAct()
  const wrong = computed(() => refused.value || list.wrong.value)
  /** The clock by which minutes are counted, ms since 1970. */
  const now = ref(Date.now())
  useIntervalFn(() => (now.value = Date.now()), 10_000)

  /** Rows that came by themselves while the whole list was on its way: they are newer than what it says. */
  const newer = new Set<string>()
  watch(list.loading, (is) => is && newer.clear(), { flush: 'sync' })
  watch(
    list.data,
    (now) => {
      if (!now) return
      const kept = new Map(rows.value.filter(({ id }) => newer.has(id)).map((row) => [row.id, row]))
      rows.value = [
        ...now.rows.map((row) => kept.get(row.id) ?? row),
        ...[...kept.values()].filter(({ id }) => !now.rows.some((row) => row.id === id)),
      ]
    },
    { immediate: true, flush: 'sync' },
  )
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
      void list.again()
      heardClaims()
    },
  )
  useIntervalFn(() => {
    if (!connected.value) void list.again()
  }, 6000)
  watch(
    () => scope.query,
    () => (rows.value = []),
    // Before the list of the other scope is looked for: it may be there at once.
    { flush: 'sync' },
  )
  const act = (row: FloorRow, what: FloorAct) => doing(() => post(`/orders/${row.id}/acts`, what))
  return { scope, rows, count, wrong, now, connected, ready: list.ready, act }
}
