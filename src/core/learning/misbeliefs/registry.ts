import { Registry } from '../../registry'
import { ampsAcross } from './kinds/amps-across'
import { anyGroundWillDo } from './kinds/any-ground-will-do'
import { clickIsContact } from './kinds/click-is-contact'
import { currentUsedUp } from './kinds/current-used-up'
import { deadPartIsBad } from './kinds/dead-part-is-bad'
import { dimIsBattery } from './kinds/dim-is-battery'
import { displayIsReal } from './kinds/display-is-real'
import { equalShares } from './kinds/equal-shares'
import { feedIsEnough } from './kinds/feed-is-enough'
import { fuseIsFault } from './kinds/fuse-is-fault'
import { jawsRoundAll } from './kinds/jaws-round-all'
import { lampProvesWire } from './kinds/lamp-proves-wire'
import { minusIsFault } from './kinds/minus-is-fault'
import { moreVoltsBetter } from './kinds/more-volts-better'
import { newPartTells } from './kinds/new-part-tells'
import { noDropIsGood } from './kinds/no-drop-is-good'
import { offMeansNoVolts } from './kinds/off-means-no-volts'
import { ohmsOnLive } from './kinds/ohms-on-live'
import { ohmsProveWire } from './kinds/ohms-prove-wire'
import { oneSideReadsSource } from './kinds/one-side-reads-source'
import { openReadsNothing } from './kinds/open-reads-nothing'
import { sourceOnDrop } from './kinds/source-on-drop'
import { voltsMeanFeed } from './kinds/volts-mean-feed'
import type { Misbelief } from './misbelief'

/** Wrong ideas that practitioners meet. A new one is its file and its line here. */
const all = [
  voltsMeanFeed,
  moreVoltsBetter,
  offMeansNoVolts,
  ohmsProveWire,
  lampProvesWire,
  noDropIsGood,
  sourceOnDrop,
  openReadsNothing,
  oneSideReadsSource,
  equalShares,
  currentUsedUp,
  anyGroundWillDo,
  feedIsEnough,
  clickIsContact,
  fuseIsFault,
  dimIsBattery,
  deadPartIsBad,
  newPartTells,
  ohmsOnLive,
  ampsAcross,
  jawsRoundAll,
  minusIsFault,
  displayIsReal,
] as const
export type MisbeliefKey = (typeof all)[number]['key']
export const misbeliefs: readonly Misbelief<MisbeliefKey>[] = all
const registry = new Registry<Misbelief<MisbeliefKey>>('misbelief', misbeliefs, ({ key }) => key)
/** The wrong idea of a key; undefined where there is none. */
export const findMisbelief = (key: string): Misbelief<MisbeliefKey> | undefined => registry.find(key)
