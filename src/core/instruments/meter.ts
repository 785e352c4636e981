/** What a hand-held meter does and how well. Typical of a 6000-count workshop meter; common practice, no source. */
export interface MeterType {
  readonly counts: number
  /** Ohms of both leads together, as shorted leads would read. */
  readonly leadOhms: number
  readonly volts: { readonly inputOhms: number; readonly percent: number; readonly digits: number }
  readonly ohms: { readonly percent: number; readonly digits: number; readonly openVolts: number }
  readonly continuity: { readonly beepsBelow: number; readonly amps: number }
  /** Diode test: a current that gives way at the open-circuit volts. */
  readonly diode: { readonly amps: number; readonly openVolts: number }
  /** The two current jacks: ohms of shunt and fuse, and the rating of the fuse inside. */
  readonly jacks: Readonly<Record<'A' | 'mA', { readonly ohms: number; readonly fuse: number }>>
  readonly amps: { readonly percent: number; readonly digits: number }
}

export const workshopMeter: MeterType = {
  counts: 6000,
  leadOhms: 0.2,
  volts: { inputOhms: 10e6, percent: 0.5, digits: 2 },
  ohms: { percent: 1, digits: 5, openVolts: 2.5 },
  continuity: { beepsBelow: 30, amps: 0.001 },
  diode: { amps: 0.001, openVolts: 3 },
  jacks: { A: { ohms: 0.03, fuse: 10 }, mA: { ohms: 2, fuse: 0.4 } },
  amps: { percent: 1, digits: 3 },
}

/** What a display shows, and what makes it doubtful. */
export interface Display {
  /** Value as shown, SI; undefined for OL. */
  readonly value: number | undefined
  /** As the display writes it, such as `12.34 V` or `OL`. */
  readonly text: string
  readonly beeps: boolean
  /** Volts were present where the meter sends its own current: the number means nothing. */
  readonly live: boolean
  /** A lead stands where nothing but the meter holds the voltage. */
  readonly floating: boolean
}

/** Range on which `size` is shown, and the value of its last digit. */
export function autorange(
  size: number,
  counts: number,
  lowest: number,
  highest: number,
): { full: number; digit: number } {
  let full = lowest
  while (size >= full && full < highest) full *= 10
  return { full, digit: full / counts }
}

/** The nearest count of the display, free of binary dust: 1.4 and not 1.4000000000000001. */
export const toCount = (value: number, digit: number): number =>
  Number((Math.round(value / digit) * digit).toPrecision(12)) || 0

/** Accuracy ±(percent of reading + digits) on the range that shows `value`. */
export function accuracy(value: number, digit: number, spec: { percent: number; digits: number }): number {
  return (Math.abs(value) * spec.percent) / 100 + spec.digits * digit
}
