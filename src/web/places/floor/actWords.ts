import type { Step } from '../../../core/attempt'
import { instrumentOf } from '../../../core/instruments'
import { describeHeld } from '../../readings/stepWords'

/** What somebody just did, in a few words, without a look at the circuit. */
export function actWords(step: Step): string {
  switch (step.type) {
    case 'operate':
      return step.says === 'asComplained'
        ? 'saw the complaint'
        : step.says === 'notReproduced'
          ? 'could not reproduce it'
          : 'operated the circuit'
    case 'test': {
      const { reading } = step
      const shown = reading.text || reading.word || ''
      return `${instrumentOf(step.instrument).title}, ${describeHeld(step.held)}${shown && `: ${shown}`}`
    }
    case 'infer':
      return step.struck.length ? `struck out ${step.struck.length}` : 'cleared nothing yet'
    case 'conclude':
      return `concludes ${step.piece}, ${step.sure} % sure`
    case 'repair':
      return `repairs ${step.piece}`
    case 'renew':
      return `renews ${step.fuse}`
    case 'hint':
      return 'took a hint'
  }
}
