import { localNumbers, t, tell } from '../../words'
import { shownOf, soundCircuit, type Step } from '../../../core/attempt'
import { instrumentOf } from '../../../core/instruments'
import { describeHeld } from '../../readings/stepWords'

/** What somebody just did, in a few words, without a look at the circuit. */
export function actWords(step: Step): string {
  switch (step.type) {
    case 'operate':
      return step.says === 'asComplained'
        ? t('ui.floor.sawTheComplaint')
        : step.says === 'notReproduced'
          ? t('ui.floor.couldNotReproduceIt')
          : t('ui.floor.operatedTheCircuit')
    case 'test': {
      const { reading } = step
      const shown = tell(shownOf(reading))
      return `${tell(instrumentOf(step.instrument).title)}, ${describeHeld(step.held)}${shown && `: ${shown}`}`
    }
    case 'infer':
      return step.struck.length
        ? t('ui.floor.struckOut', { count: step.struck.length })
        : t('ui.floor.clearedNothingYet')
    case 'conclude':
      return step.kind === soundCircuit
        ? t('ui.floor.concludesSound', { sure: step.sure })
        : t('ui.floor.concludesSure', { piece: step.piece, sure: step.sure })
    case 'repair':
      return t('ui.floor.repairs', { piece: step.piece })
    case 'renew':
      return t('ui.floor.renews', { fuse: step.fuse })
    case 'hint':
      return t('ui.floor.tookAHint')
    case 'question':
      return t('ui.floor.wasAskedAbout', { typed: localNumbers(step.typed) })
  }
}
