import { watchEffect, type ShallowRef } from 'vue'

/** What the library's list tells a screen reader nothing of: what has the focus in it is an element that it gives no name. */
export function useCombobox(
  root: Readonly<ShallowRef<HTMLElement | null>>,
  now: () => {
    readonly label: string
    readonly open: boolean
    readonly disabled: boolean
    readonly filters: boolean
  },
): () => void {
  const field = () =>
    root.value?.querySelector<HTMLElement>('.n-base-selection-label, .n-base-selection-tags')
  watchEffect(
    () => {
      // Another element takes its place where it begins to filter, or ceases to.
      const { label, open, disabled } = now()
      const attributes = {
        role: 'combobox',
        'aria-haspopup': 'listbox',
        'aria-label': label,
        'aria-expanded': String(open),
        'aria-disabled': String(disabled),
      }
      for (const [name, text] of Object.entries(attributes)) field()?.setAttribute(name, text)
    },
    { flush: 'post' },
  )
  return () => field()?.focus()
}
