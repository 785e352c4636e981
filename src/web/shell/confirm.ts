import { useEventListener } from '@vueuse/core'
import type { Ref } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'

/**
 * Asks before somebody leaves a place with changes that are not saved: by a link, and by closing the page.
 * @param changed whether there are any
 */
export function useLeaveGuard(changed: Readonly<Ref<boolean>>): void {
  onBeforeRouteLeave(async () => {
    if (!changed.value) return true
    const { confirmLeaving } = await import('./confirm-dialog')
    return confirmLeaving()
  })
  useEventListener(window, 'beforeunload', (event) => {
    if (changed.value) event.preventDefault()
  })
}
