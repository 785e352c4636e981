import { useEventListener } from '@vueuse/core'
import { onScopeDispose, shallowReactive } from 'vue'
import { matches, type Key } from './press'

export interface KeyGroup {
  readonly title: string
  readonly keys: readonly Key[]
  /** Of the whole page, or of what has the focus. */
  readonly of: 'page' | 'own'
}

/** What can be pressed now: each part of the page adds its keys while it stands. */
export const groups = shallowReactive<KeyGroup[]>([])

const typed = new Set(['text', 'search', 'password', 'email', 'number', 'url', 'tel', 'date', 'time', 'file'])
/** Whether letters belong to whatever has the focus. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false
  if (target instanceof HTMLInputElement) return typed.has(target.type)
  return target.isContentEditable || ['TEXTAREA', 'SELECT'].includes(target.tagName)
}
/** What has the focus is pressed by these itself: a link by Enter, a button by either. */
const pressedBy: Readonly<Record<string, string>> = {
  Enter: 'button, a, summary, input, [role="button"]',
  ' ': 'button, summary, input, [role="button"]',
}
const isPressed = ({ key, target }: KeyboardEvent): boolean =>
  target instanceof Element && !!pressedBy[key] && target.closest(pressedBy[key]) !== null

/**
 * Keys of a place (`page`) or of what has the focus (`own`: the answer is to be bound to `keydown`). One table says what
 * they are, shows them on `?`, and acts.
 */
export function useKeys(
  title: string,
  keys: readonly Key[],
  of: 'page' | 'own' = 'page',
): (event: KeyboardEvent) => void {
  const group: KeyGroup = { title, keys, of }
  groups.push(group)
  onScopeDispose(() => groups.splice(groups.indexOf(group), 1))
  const handle = (event: KeyboardEvent) => {
    if (event.defaultPrevented) return
    const hit = (key: Key) => [...key.press, ...(key.also ?? [])].some((press) => matches(event, press))
    if (keys.some((key) => hit(key) && key.act(event) !== false)) event.preventDefault()
  }
  if (of === 'page')
    useEventListener(window, 'keydown', (event: KeyboardEvent) => {
      // Behind an open dialog nothing is changed.
      if (document.querySelector(':is(.n-modal, .n-drawer):not([class*="leave-active"])')) return
      if (!isTyping(event.target) && !isPressed(event)) handle(event)
    })
  return handle
}
