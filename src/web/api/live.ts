import { onScopeDispose, ref } from 'vue'

/**
 * Hears what the server sends, for as long as the view stands. The browser comes back by itself after a lost connection;
 * `again` is called then and whenever something may have been missed.
 */
export function useLive(
  path: string,
  events: Readonly<Record<string, (data: unknown) => void>>,
  again: () => void,
) {
  const connected = ref(false)
  let first = true
  const source = new EventSource(`/api${path}`)
  source.onopen = () => {
    connected.value = true
    if (!first) again()
    first = false
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
