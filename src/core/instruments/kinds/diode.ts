import { partOfKind } from '../../parts'
import { readDiode } from '../diode-test'
import { type Instrument, defineInstrument, noEffects } from '../instrument'
import { say } from '../../document'
import { around, byFifth, heldPieces, inTheHand, notInHand, openLoop } from './common'

/** Diode test: a milliamp from red to black, volts as shown, OL where it does not flow. */
export const diode: Instrument<'diode'> = defineInstrument({
  key: 'diode',
  device: 'multimeter',
  title: 'instruments.diode.title',
  about: 'instruments.diode.about',
  cautions: () => ['disconnectBeforeOhms'],
  settings: [],
  holds: ['leads', 'hand'],
  nature: () => ({ needsDead: true, draws: 0 }),
  read: (use) => {
    const missing = notInHand(use)
    if (missing) return missing
    const { solved, red, black } = inTheHand(use)
    const { value, text, live } = readDiode(solved, red, black, use.meter)
    return { value, unit: 'V', text, signs: live ? [say('instruments.live')] : [], did: noEffects }
  },
  expect: (use) => {
    const { value } = diode.read(use)
    return value === undefined ? openLoop : around(value, 0.02 + 0.08 * Math.abs(value))
  },
  tells: byFifth,
  asks: { type: 'value', unit: 'V', open: true },
  places: (circuit, wiring) => heldPieces(circuit, wiring).filter((held) => isDiode(circuit, held)),
  minutes: 1,
})

/** Where a part is known by a junction of its own. */
function isDiode(
  circuit: Parameters<typeof heldPieces>[0],
  held: ReturnType<typeof heldPieces>[number],
): boolean {
  if (held.type !== 'leads') return false
  const owner = circuit.parts.find((part) => held.red.startsWith(part.id))
  return owner !== undefined && partOfKind(owner.kind).segments.some((s) => s.key === 'junction')
}
