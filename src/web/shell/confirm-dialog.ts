import { t } from '../words'
import { sure } from './sure'

/** Whether somebody leaves though not everything is saved. */
export const confirmLeaving = (): Promise<boolean> =>
  sure({
    title: t('ui.shell.leaveWithoutSaving'),
    content: t('ui.shell.whatYouHaveChangedHere'),
    yes: t('ui.common.leave'),
    no: t('ui.shell.stay'),
  })
