import { onScopeDispose, ref } from 'vue'

/**
 * Hears what the server sends, for as long as the view stands. The browser comes back by itself after a lost connection; the
 * server says `again` as soon as it listens for this view, first and each time, so that nothing is missed in between.
 */
export function useLive(
  path: string,
  events: Readonly<Record<string, (data: unknown) => void>>,
  again: () => void,
) {
  const connected = ref(false)
  const source = new EventSource(`/api${path}`)
  source.onopen = () => {
    connected.value = true
  }
  source.onerror = () => (connected.value = false)
  for (const [name, heard] of Object.entries(events))
    source.addEventListener(name, (event) =>
      heard(JSON.parse((event as MessageEvent<string>).data) as unknown),
    )
  source.addEventListener('again', again)
  onScopeDispose(() => source.close())
  return { connected }
}
