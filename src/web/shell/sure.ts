import { createDiscreteApi, darkTheme } from 'naive-ui'
import { themeOverrides } from '../theme/overrides'
import { t } from '../words'

/** Library parts that stand in front of every place, in the scheme of the page. */
export function discrete() {
  const dark = document.documentElement.dataset.scheme === 'dark'
  return createDiscreteApi(['dialog', 'message'], {
    configProviderProps: {
      theme: dark ? darkTheme : null,
      themeOverrides: themeOverrides(dark ? 'dark' : 'light'),
    },
  })
}

/** Asks before something that cannot be undone. */
export function sure(ask: { title: string; content: string; yes: string; no?: string }): Promise<boolean> {
  return new Promise((resolve) => {
    const no = () => resolve(false)
    discrete().dialog.warning({
      title: ask.title,
      content: ask.content,
      positiveText: ask.yes,
      negativeText: ask.no ?? t('ui.common.keepIt'),
      onPositiveClick: () => resolve(true),
      onNegativeClick: no,
      onClose: no,
      onMaskClick: no,
      onEsc: no,
    })
  })
}
