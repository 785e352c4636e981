import { z } from 'zod'
import { coded, type Words, messageOf, say } from '../document'
import { workshopMeter, type MeterType } from './meter'

/** Meters that a school may have, by what their leaflets say of them; common practice, no source. */
export const meters: readonly { readonly id: string; readonly title: Words; readonly meter: MeterType }[] = [
  { id: 'workshop', title: 'instruments.meters.title', meter: workshopMeter },
  {
    id: 'simple',
    title: 'instruments.meters.simple2000Counts1',
    meter: {
      ...workshopMeter,
      counts: 2000,
      volts: { inputOhms: 1e6, percent: 1, digits: 2 },
      ohms: { ...workshopMeter.ohms, percent: 1.5, digits: 5 },
    },
  },
  {
    id: 'fine',
    title: 'instruments.meters.fine50000Counts005',
    meter: {
      ...workshopMeter,
      counts: 50000,
      volts: { inputOhms: 10e6, percent: 0.05, digits: 3 },
      ohms: { ...workshopMeter.ohms, percent: 0.2, digits: 5 },
      leadOhms: 0.1,
    },
  },
]

/** A meter of the school's, by its id; the usual one where there is none of it. */
export const meterOf = (id: string): MeterType => meters.find((m) => m.id === id)?.meter ?? workshopMeter

const between = (label: Words, least: number, most: number, unit: string) => {
  const message = coded(
    say('instruments.range', {
      label: messageOf(label),
      least: { shown: String(least) },
      most: { shown: String(most) },
      unit: unit || 'none',
    }),
  )
  return z.number({ error: message }).min(least, message).max(most, message)
}

/** What a leaflet says of a meter and the answer key depends on. Percent of reading, digits of the display. */
export const leafletSchema = z.object({
  counts: between('instruments.meters.counts', 1000, 1_000_000, '').int(
    coded(say('instruments.whole', { label: messageOf('instruments.meters.counts') })),
  ),
  voltsPercent: between('instruments.meters.voltsPercent', 0, 5, '%'),
  voltsDigits: between('instruments.meters.voltsDigits', 0, 50, '').int(
    coded(say('instruments.whole', { label: messageOf('instruments.meters.digits') })),
  ),
  inputOhms: between('instruments.meters.inputOhms', 1e4, 1e9, 'Ω'),
  ohmsPercent: between('instruments.meters.ohmsPercent', 0, 10, '%'),
  ohmsDigits: between('instruments.meters.ohmsDigits', 0, 50, '').int(
    coded(say('instruments.whole', { label: messageOf('instruments.meters.digits') })),
  ),
  leadOhms: between('instruments.leads', 0, 5, 'Ω'),
})
export type Leaflet = z.infer<typeof leafletSchema>

/** What a meter's leaflet says of its accuracy. */
export const leafletOf = ({ counts, volts, ohms, leadOhms }: MeterType): Leaflet => ({
  counts,
  voltsPercent: volts.percent,
  voltsDigits: volts.digits,
  inputOhms: volts.inputOhms,
  ohmsPercent: ohms.percent,
  ohmsDigits: ohms.digits,
  leadOhms,
})

/** A meter of the school's own; what its leaflet does not say is as in the workshop's. */
export const meterOfLeaflet = (leaflet: Leaflet): MeterType => ({
  ...workshopMeter,
  counts: leaflet.counts,
  leadOhms: leaflet.leadOhms,
  volts: { inputOhms: leaflet.inputOhms, percent: leaflet.voltsPercent, digits: leaflet.voltsDigits },
  ohms: { ...workshopMeter.ohms, percent: leaflet.ohmsPercent, digits: leaflet.ohmsDigits },
})
