import { localNumbers, t } from '../../words'
import type { Step } from '../../../core/attempt'
import { instrumentOf } from '../../../core/instruments'
import { describeHeld } from '../../readings/stepWords'

/** What somebody just did, in a few words, without a look at the circuit. */
export function actWords(step: Step): string {
  switch (step.type) {
    case 'operate':
      return step.says === 'asComplained'
        ? t('saw the complaint')
        : step.says === 'notReproduced'
          ? t('could not reproduce it')
          : t('operated the circuit')
    case 'test': {
      const { reading } = step
      const shown = localNumbers(reading.text) || t(reading.word ?? '')
      return `${t(instrumentOf(step.instrument).title)}, ${describeHeld(step.held)}${shown && `: ${shown}`}`
    }
    case 'infer':
      return step.struck.length
        ? t('struck out {count}', { count: step.struck.length })
        : t('cleared nothing yet')
    case 'conclude':
      return t('concludes {piece}, {sure} % sure', { piece: step.piece, sure: step.sure })
    case 'repair':
      return t('repairs {piece}', { piece: step.piece })
    case 'renew':
      return t('renews {fuse}', { fuse: step.fuse })
    case 'hint':
      return t('took a hint')
    case 'question':
      return t('was asked about “{typed}”', { typed: localNumbers(step.typed) })
  }
}
