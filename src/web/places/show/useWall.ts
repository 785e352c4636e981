import { useEventListener } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { wallMessageSchema, type WallMessage } from '../../../contract'
import { post } from '../../api/client'
import { useLive } from '../../api/live'
import { uuid } from '../../parts/uuid'

export type WallNow = Extract<WallMessage, { type: 'now' }>
export type WallAct = Extract<WallMessage, { type: 'act' }>['act']

/** Without a connection the wall goes on by its own keys. */
const tell = (message: WallMessage): void => void post('/wall', message).catch(() => undefined)

/**
 * The wall, steered by whoever is signed in as the same instructor elsewhere.
 * @param now what a remote shows of it
 * @param acts what its keys do
 */
export function useWall(
  now: () => Omit<WallNow, 'type' | 'wall'>,
  acts: Readonly<Record<WallAct, () => unknown>>,
): void {
  const wall = uuid()
  const say = () => tell({ type: 'now', wall, ...now() })
  useLive(
    '/room/live',
    {
      wall: (data) => {
        const message = wallMessageSchema.parse(data)
        if (message.type === 'who') say()
        if (message.type === 'act' && message.wall === wall) acts[message.act]()
      },
    },
    say,
  )
  watch(now, say)
  /** Also when the page itself goes: the request outlives it. */
  const leave = () =>
    void fetch('/api/wall', {
      method: 'POST',
      keepalive: true,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ type: 'gone', wall } satisfies WallMessage),
    }).catch(() => undefined)
  useEventListener('pagehide', leave)
  onScopeDispose(leave)
}

/** The remote: hears where each wall is, and presses the keys of one. */
export function useRemote() {
  const walls = shallowRef<ReadonlyMap<string, WallNow>>(new Map())
  /** Which one is steered; the first that was heard of until somebody chooses. */
  const chosen = ref<string | null>(null)
  const now = computed(
    (): WallNow | undefined => walls.value.get(chosen.value ?? '') ?? [...walls.value.values()][0],
  )
  const { connected } = useLive(
    '/room/live',
    {
      wall: (data) => {
        const message = wallMessageSchema.parse(data)
        if (message.type === 'now') walls.value = new Map([...walls.value, [message.wall, message]])
        if (message.type === 'gone')
          walls.value = new Map([...walls.value].filter(([wall]) => wall !== message.wall))
      },
    },
    () => {
      walls.value = new Map()
      tell({ type: 'who' })
    },
  )
  const press = (act: WallAct) =>
    post('/wall', { type: 'act', wall: now.value?.wall ?? '', act } satisfies WallMessage)
  return { connected, walls, chosen, now, press }
}
