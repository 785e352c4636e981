import { createDiscreteApi, darkTheme } from 'naive-ui'
import { themeOverrides } from '../theme/overrides'
import { t } from '../words'

/** Whether somebody leaves though not everything is saved. */
export function confirmLeaving(): Promise<boolean> {
  const dark = document.documentElement.dataset.scheme === 'dark'
  const { dialog } = createDiscreteApi(['dialog'], {
    configProviderProps: {
      theme: dark ? darkTheme : null,
      themeOverrides: themeOverrides(dark ? 'dark' : 'light'),
    },
  })
  return new Promise((resolve) => {
    dialog.warning({
      title: t('ui.shell.leaveWithoutSaving'),
      content: t('ui.shell.whatYouHaveChangedHere'),
      positiveText: t('ui.common.leave'),
      negativeText: t('ui.shell.stay'),
      onPositiveClick: () => resolve(true),
      onNegativeClick: () => resolve(false),
      onClose: () => resolve(false),
      onMaskClick: () => resolve(false),
      onEsc: () => resolve(false),
    })
  })
}
