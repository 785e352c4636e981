import { messageOf, verbatim, type Message, type Words } from '../document'
import { Registry } from '../registry'
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

/** Kinds that are made by their pins: each once, when it is first met. */
const made = new Map<string, AnyPart | undefined>()
const registry = new Registry<AnyPart>(
  'kind of part',
  parts,
  ({ kind }) => kind,
  (kind) => {
    if (!made.has(kind)) made.set(kind, moduleOfPins(kind))
    return made.get(kind)
  },
)

/**
 * Definition of a kind that the document's schema has already let in.
 * @throws UnknownKey
 */
export const partOfKind = (kind: string): AnyPart => registry.get(kind)

export const partKinds = parts.map((part) => part.kind)
/** Whether there is a part of this kind. */
export const isPartKind = (kind: string): boolean => registry.find(kind) !== undefined

/** What a notice's key says of a part of this kind. */
export const noticeText = (kind: string, key: string): Words =>
  partOfKind(kind).notice?.all.find((n) => n.key === key)?.text ?? verbatim(key)

/** What a part is called: by the school's own name, else by its kind. */
export const nameOfPart = ({ name, kind }: { readonly name: string; readonly kind: string }): Message =>
  name ? verbatim(name) : messageOf(partOfKind(kind).title)
