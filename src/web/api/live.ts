import { onScopeDispose, ref } from 'vue'

/** Milliseconds until the next try, growing; for ever. */
const pauses = [500, 1000, 2000, 4000, 8000]
/** Milliseconds without a sign of life after which a stream is given up: the server gives one every fifteen seconds. */
const silence = 40_000

/**
 * Hears what the server sends, for as long as the view stands. The browser gives up for good where a proxy answers in the
 * server's place, and does not notice a connection that has fallen silent: both are tried again here, for ever. The server
 * says `again` as soon as it listens for this view, first and each time, so that nothing is missed in between.
 * (`useEventSource` of VueUse keeps the last event only: two that come together would be one.)
 */
export function useLive(
  path: string,
  events: Readonly<Record<string, (data: unknown) => void>>,
  again: () => void,
) {
  const connected = ref(false)
  let source: EventSource | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let watchdog: ReturnType<typeof setTimeout> | undefined
  let tries = 0

  function alive(): void {
    clearTimeout(watchdog)
    watchdog = setTimeout(reopen, silence)
  }
  function open(): void {
    timer = undefined
    const mine = new EventSource(`/api${path}`)
    source = mine
    alive()
    mine.onopen = () => {
      connected.value = true
      tries = 0
      alive()
    }
    mine.onerror = () => {
      connected.value = false
      // While it says that it is connecting, the browser tries by itself.
      if (mine.readyState === EventSource.CLOSED) reopen()
    }
    const on = (name: string, heard: (data: unknown) => void) =>
      mine.addEventListener(name, (event) => {
        alive()
        const { data } = event as MessageEvent<string | undefined>
        heard(data ? (JSON.parse(data) as unknown) : null)
      })
    for (const [name, heard] of Object.entries(events)) on(name, heard)
    on('again', again)
    on('alive', () => undefined)
  }
  function reopen(): void {
    connected.value = false
    source?.close()
    clearTimeout(watchdog)
    timer ??= setTimeout(open, pauses[Math.min(tries++, pauses.length - 1)])
  }

  open()
  onScopeDispose(() => {
    clearTimeout(timer)
    clearTimeout(watchdog)
    source?.close()
  })
  return { connected }
}
