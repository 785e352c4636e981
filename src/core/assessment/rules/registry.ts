import type { Code } from '../../document'
import { Registry } from '../../registry'
import { ohmsLive } from './kinds/ohms-live'
import { samePoint } from './kinds/same-point'
import { dropWithoutLoad } from './kinds/drop-without-load'
import { noughtClearsNothingElse } from './kinds/nought-clears-nothing-else'
import { zeroIsNotPerfect } from './kinds/zero-is-not-perfect'
import { sourceReadAsGood } from './kinds/source-read-as-good'
import { coldOhmsTrusted } from './kinds/cold-ohms-trusted'
import { lampTooLight } from './kinds/lamp-too-light'
import { badGroundReference } from './kinds/bad-ground-reference'
import { eyeletForStud } from './kinds/eyelet-for-stud'
import { prefixSlip } from './kinds/prefix-slip'
import { leadsReversed } from './kinds/leads-reversed'
import { alarmAtMinus } from './kinds/alarm-at-minus'
import { fuseTableStretched } from './kinds/fuse-table-stretched'
import { clampNotZeroed } from './kinds/clamp-not-zeroed'
import { clampBlind } from './kinds/clamp-blind'
import { jawsRoundTwo } from './kinds/jaws-round-two'
import { jumperCounted } from './kinds/jumper-counted'
import { feedOnly } from './kinds/feed-only'
import { replacedBeforeTested } from './kinds/replaced-before-tested'
import { worksNow } from './kinds/works-now'
import { sameTestAgain } from './kinds/same-test-again'
import { ammeterAcross } from './kinds/ammeter-across'
import { leadsInAmpsJack } from './kinds/leads-in-amps-jack'
import { unfusedJumper } from './kinds/unfused-jumper'
import { jumperAcrossLoad } from './kinds/jumper-across-load'
import { loadsModule } from './kinds/loads-module'
import { voltsWithoutLoad } from './kinds/volts-without-load'
import { nothingFlows } from './kinds/nothing-flows'
import { loadOnBattery } from './kinds/load-on-battery'
import { crankedInGear } from './kinds/cranked-in-gear'
import type { TechniqueRule } from './rule'

/** Mistakes that instructors see again and again, as rules over one test. A new rule is its file and its line here. */
const all: readonly TechniqueRule[] = [
  ohmsLive,
  samePoint,
  dropWithoutLoad,
  voltsWithoutLoad,
  nothingFlows,
  zeroIsNotPerfect,
  noughtClearsNothingElse,
  sourceReadAsGood,
  coldOhmsTrusted,
  lampTooLight,
  badGroundReference,
  eyeletForStud,
  prefixSlip,
  leadsReversed,
  alarmAtMinus,
  fuseTableStretched,
  clampNotZeroed,
  clampBlind,
  jawsRoundTwo,
  jumperCounted,
  feedOnly,
  replacedBeforeTested,
  worksNow,
  sameTestAgain,
  ammeterAcross,
  leadsInAmpsJack,
  unfusedJumper,
  jumperAcrossLoad,
  loadsModule,
  loadOnBattery,
  crankedInGear,
]
export const techniqueRules = new Registry('rule', all, ({ key }) => key).list

/** What is said of a rule: its title, what went wrong, what to do instead, and what its example shows. */
export const ruleWords = (key: string, part: 'title' | 'say' | 'instead' | 'shows'): Code =>
  `rules.${key}.${part}` as Code
