import { fuseBody } from './fuse-body'
import { resistorWatts, unfusedJumper } from './heat'
import { loadOverFuse, looseLoad, noLoad } from './loads'
import { overheatedWire } from './overheated-wire'
import type { Rule, Warning, Workpiece } from './rule'
import { noFuse, wireAndFuse } from './wire-and-fuse'

/** Every rule of the workshop. A new one is its value and its line here. */
export const rules: readonly Rule[] = [
  noLoad,
  looseLoad,
  wireAndFuse,
  loadOverFuse,
  fuseBody,
  resistorWatts,
  overheatedWire,
  unfusedJumper,
  noFuse,
]

const order = { hazard: 0, wrong: 1, hint: 2 }

/** Everything that the rules find, worst first. */
export function warningsOf(built: Workpiece): Warning[] {
  return rules.flatMap((rule) => rule.check(built)).sort((a, b) => order[a.weight] - order[b.weight])
}
