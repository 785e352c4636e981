import { workshopMeter, type MeterType } from './meter'

/** Meters that a school may have, by what their leaflets say of them; common practice, no source. */
export const meters: readonly { readonly id: string; readonly title: string; readonly meter: MeterType }[] = [
  { id: 'workshop', title: 'Workshop: 6000 counts, 0.5 %', meter: workshopMeter },
  {
    id: 'simple',
    title: 'Simple: 2000 counts, 1 %',
    meter: {
      ...workshopMeter,
      counts: 2000,
      volts: { inputOhms: 1e6, percent: 1, digits: 2 },
      ohms: { ...workshopMeter.ohms, percent: 1.5, digits: 5 },
    },
  },
  {
    id: 'fine',
    title: 'Fine: 50000 counts, 0.05 %',
    meter: {
      ...workshopMeter,
      counts: 50000,
      volts: { inputOhms: 10e6, percent: 0.05, digits: 3 },
      ohms: { ...workshopMeter.ohms, percent: 0.2, digits: 5 },
      leadOhms: 0.1,
    },
  },
]

export const meterOf = (id: string): MeterType => meters.find((m) => m.id === id)?.meter ?? workshopMeter
