import type { AnyPart } from './definition'
import { battery } from './battery'
import { chassis } from './chassis'
import { connector } from './connector'
import { fuse } from './fuse'
import { heater } from './heater'
import { lamp } from './lamp'
import { led } from './led'
import { motor } from './motor'
import { strap } from './strap'
import { stud } from './stud'
import { toggle } from './switch'
import { wire } from './wire'
import { alternator } from './alternator'
import { benchSupply } from './bench-supply'
import { breaker } from './breaker'
import { clutchSwitch, inhibitor, pushButton } from './contact-switch'
import { diode } from './diode'
import { engineBlock } from './engine-block'
import { curveDiode } from './curve-diode'
import { electronicLoad } from './electronic-load'
import { fusibleLink } from './fusible-link'
import { horn, solenoid, speaker } from './coil-load'
import { keySwitch } from './key-switch'
import { largeModule, module, moduleOfPins } from './module'
import { multiConnector } from './multi-connector'
import { relay } from './relay'
import { rotarySelector } from './rotary-selector'
import { resistor } from './resistor'
import { sensor2, sensor3 } from './sensor'
import { splice } from './splice'
import { starter } from './starter'
import { twoFilamentLamp } from './two-filament-lamp'

/** Every part there is. A new one is its file and its line here. */
export const parts: readonly AnyPart[] = [
  battery,
  benchSupply,
  fuse,
  toggle,
  connector,
  wire,
  lamp,
  led,
  heater,
  motor,
  stud,
  chassis,
  strap,
  alternator,
  breaker,
  clutchSwitch,
  inhibitor,
  pushButton,
  diode,
  curveDiode,
  electronicLoad,
  engineBlock,
  fusibleLink,
  horn,
  solenoid,
  speaker,
  keySwitch,
  module,
  largeModule,
  multiConnector,
  relay,
  resistor,
  rotarySelector,
  sensor2,
  sensor3,
  splice,
  starter,
  twoFilamentLamp,
]

const byKind = new Map<string, AnyPart>(parts.map((part) => [part.kind, part]))

/** Also the kinds that are made by their pins: each once, when it is first met. */
function findKind(kind: string): AnyPart | undefined {
  const known = byKind.get(kind)
  if (known) return known
  const made = moduleOfPins(kind)
  if (made) byKind.set(kind, made)
  return made
}

/** Definition of a kind that the document's schema has already let in. */
export function partOfKind(kind: string): AnyPart {
  const found = findKind(kind)
  if (!found) throw new Error(`no part of kind ${kind}`)
  return found
}

export const partKinds = parts.map((part) => part.kind)
export const isPartKind = (kind: string): boolean => findKind(kind) !== undefined

/** What a notice's key says of a part of this kind. */
export const noticeText = (kind: string, key: string): string =>
  partOfKind(kind).notice?.all.find((n) => n.key === key)?.text ?? key
