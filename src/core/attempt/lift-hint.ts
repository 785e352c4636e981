import type { Stored } from '../document'

/** Instruments as version 2 of a step named them in English, by the code that names them now. Never changed again. */
const titles: Readonly<Record<string, string>> = {
  'Amps in series': 'instruments.amps.title',
  'Battery load test': 'instruments.battery.title',
  'Terminal drag': 'instruments.byHand.title',
  'Relay on 9 V': 'instruments.byHand.relayOn9V',
  'DC clamp': 'instruments.clamp.title',
  'Clamp for AC only': 'instruments.clamp.clampForAcOnly',
  'Diode test': 'instruments.diode.title',
  'Millivolts across a fuse': 'instruments.fuseVolts.title',
  'Fused jumper': 'instruments.jumper.title',
  'Substitute load': 'instruments.jumper.substituteLoad',
  'Test lamp': 'instruments.lamps.title',
  'Load lamp, 5 A': 'instruments.lamps.loadLamp5A',
  'LED probe': 'instruments.lamps.ledProbe',
  Ohms: 'instruments.ohms.title',
  Continuity: 'instruments.ohms.continuity',
  'Relay by hand': 'instruments.relayByHand.title',
  'Scan data': 'instruments.scan.title',
  'Volts DC': 'instruments.volts.title',
}

/** A hint that named its instrument in English names it by its code. */
export function liftHint(step: Stored): Stored {
  const { says } = step as { readonly says?: { readonly code?: unknown; readonly params?: Stored } }
  const title = says?.params?.title
  const code = typeof title === 'string' ? titles[title] : undefined
  if (step.type !== 'hint' || says?.code !== 'assessment.hintTest' || code === undefined) return step
  return { ...step, says: { ...says, params: { ...says.params, title: { code } } } }
}
