import { t } from '../words'

/** A key with what it does: the map shows it, and the same row acts. */
export interface Key {
  /** As `Ctrl Shift z`, `ArrowLeft`, `/`, `Space`: each of them does it. */
  readonly press: readonly string[]
  /** Others that do it too, which nobody need read about. */
  readonly also?: readonly string[]
  readonly what: string
  /** False where there was nothing to do: the key is left to whoever else wants it. */
  readonly act: (event: KeyboardEvent) => unknown
}

type Pressed = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>

/** Whether a key event is this press. Command counts as Ctrl. */
export function matches(event: Pressed, press: string): boolean {
  const words = press.split(' ')
  const key = words.at(-1)!
  const pressed = event.key === ' ' ? 'Space' : event.key
  if (pressed.toLowerCase() !== key.toLowerCase()) return false
  const has = (modifier: string) => words.includes(modifier)
  if ((event.ctrlKey || event.metaKey) !== has('Ctrl') || event.altKey !== has('Alt')) return false
  // Where a sign needs Shift on one keyboard it does not on another, and a letter does not care.
  return has('Shift') ? event.shiftKey : !event.shiftKey || (key.length === 1 && !has('Ctrl'))
}

const signs: Readonly<Record<string, string>> = {
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  '-': '−',
}
const named = (key: string): string => {
  switch (key) {
    case 'Ctrl':
      return t('ui.keys.ctrl')
    case 'Shift':
      return t('ui.keys.shift')
    case 'Delete':
      return t('ui.keys.del')
    case 'Space':
      return t('ui.keys.space')
    case 'Escape':
      return t('ui.keys.esc')
    case 'Enter':
      return t('ui.common.enter')
    default:
      return signs[key] ?? (key.length === 1 ? key.toUpperCase() : key)
  }
}

/** A press as it stands on the keys: `Ctrl Z`, `←`. */
export const written = (press: string): string => press.split(' ').map(named).join(' ')

/** All presses of one row, those that differ only in their last key written with what they share said once. */
export function writtenAll(presses: readonly string[]): string {
  const texts = presses.map(written)
  const before = texts.map((text) => text.split(' ').slice(0, -1).join(' '))
  const [shared] = before
  return shared && before.every((one) => one === shared)
    ? `${shared} ${texts.map((text) => text.split(' ').at(-1)).join(' ')}`
    : texts.join('  ')
}
