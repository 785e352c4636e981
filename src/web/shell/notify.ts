import { NButton } from 'naive-ui'
import { h } from 'vue'
import { t } from '../words'
import { discrete } from './sure'

/** Seconds for which something that was done can be taken back. */
const undoable = 8

/**
 * Says what was done, with a way to take it back for a while.
 * @returns whether it stays done
 */
export function doneWithUndo(what: string): Promise<boolean> {
  return new Promise((resolve) => {
    let undone = false
    const shown = discrete().message.success(
      () =>
        h('span', { role: 'status' }, [
          `${what} `,
          h(
            NButton,
            {
              text: true,
              type: 'primary',
              onClick: () => {
                undone = true
                shown.destroy()
              },
            },
            () => t('ui.common.undoIt'),
          ),
        ]),
      { duration: undoable * 1000, closable: true, onAfterLeave: () => resolve(!undone) },
    )
  })
}
