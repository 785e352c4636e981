import { z } from 'zod'
import { coded, type Message, messageOf, say, verbatim, type Words } from '../document'
import { Registry } from '../registry'
import { settingsOf, type Instrument, type Settings } from './instrument'
import { amps } from './kinds/amps'
import { batteryTester } from './kinds/battery'
import { benchRelay, terminalDrag } from './kinds/by-hand'
import { look } from './kinds/look'
import { relayByHand } from './kinds/relay-by-hand'
import { clamp, clampAC } from './kinds/clamp'
import { diode } from './kinds/diode'
import { fuseVolts } from './kinds/fuse-volts'
import { jumper, substitute } from './kinds/jumper'
import { ledProbe, loadedProbe, loadLamp, testLamp } from './kinds/lamps'
import { continuity, ohms } from './kinds/ohms'
import { scan } from './kinds/scan'
import { volts } from './kinds/volts'

/** Every instrument there is, in the order of the bag. A new one is its file and its line here. */
const all = [
  volts,
  ohms,
  continuity,
  diode,
  amps,
  clamp,
  clampAC,
  fuseVolts,
  testLamp,
  loadLamp,
  ledProbe,
  loadedProbe,
  jumper,
  substitute,
  batteryTester,
  look,
  terminalDrag,
  benchRelay,
  relayByHand,
  scan,
] as const

export type InstrumentKey = (typeof all)[number]['key']
export const instruments: readonly Instrument<InstrumentKey>[] = all
export const instrumentKeys = all.map(({ key }) => key)

const registry = new Registry<Instrument<InstrumentKey>>('instrument', instruments, ({ key }) => key)

/** The instrument of a key; undefined where there is none. */
export const findInstrument = (key: string): Instrument<InstrumentKey> | undefined => registry.find(key)
/** @throws UnknownKey */
export const instrumentOf = (key: InstrumentKey): Instrument<InstrumentKey> => registry.get(key)

const scaleWords: Readonly<Record<string, Words>> = Object.assign(
  {},
  ...instruments.map(({ asks }) => (asks.type === 'word' ? asks.words : {})),
)
/** What a word that an instrument tells is called; words that people typed stay as they are. */
export const scaleWord = (word: string): Words => scaleWords[word] ?? verbatim(word)

export const instrumentKey = z.enum(instrumentKeys, {
  error: ({ input }) =>
    coded(say('instruments.noInstrument', { key: String(input).slice(0, 30), keys: instrumentKeys })),
})
export const settingsSchema = z.record(z.string().max(20), z.string().max(20))

/** The settings with their defaults, or what is wrong with them. */
export function checkSettings(
  instrument: Instrument,
  said: Settings,
): { ok: true; settings: Settings } | { ok: false; why: Message } {
  for (const [key, value] of Object.entries(said)) {
    const setting = instrument.settings.find((s) => s.key === key)
    if (!setting)
      return { ok: false, why: say('instruments.noSetting', { title: messageOf(instrument.title), key }) }
    if (!setting.options.some((o) => o.key === value))
      return {
        ok: false,
        why: say('instruments.noOption', {
          label: messageOf(setting.label),
          options: setting.options.map((o) => o.key),
          value,
        }),
      }
  }
  return { ok: true, settings: settingsOf(instrument, said) }
}
