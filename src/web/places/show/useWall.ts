import { onScopeDispose, watch } from 'vue'
import { wallMessageSchema, type WallMessage } from '../../../contract'
import { post } from '../../api/client'
import { useLive } from '../../api/live'

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
  now: () => Omit<WallNow, 'type'>,
  acts: Readonly<Record<WallAct, () => unknown>>,
): void {
  const say = () => tell({ type: 'now', ...now() })
  useLive(
    '/room/live',
    {
      wall: (data) => {
        const message = wallMessageSchema.parse(data)
        if (message.type === 'who') say()
        if (message.type === 'act') acts[message.act]()
      },
    },
    say,
  )
  watch(now, say)
  onScopeDispose(() => tell({ type: 'gone' }))
}

/** The remote: hears where the wall is, and presses its keys. */
export function useRemote(hears: (now: WallNow | null) => void) {
  const { connected } = useLive(
    '/room/live',
    {
      wall: (data) => {
        const message = wallMessageSchema.parse(data)
        if (message.type === 'now') hears(message)
        if (message.type === 'gone') hears(null)
      },
    },
    () => tell({ type: 'who' }),
  )
  return { connected, press: (act: WallAct) => post('/wall', { type: 'act', act } satisfies WallMessage) }
}
