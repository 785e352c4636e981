import type { AnyPart, Route } from '../../core/parts'

/** How one way through a part of many pieces is drawn. */
export interface PassSymbol {
  readonly symbol: string
  readonly caption: string
  /** Which of the pass's pieces the symbol stands for, or undefined where it shows them all. */
  readonly piece?: number
}

/** By kind: the symbol of the pass that runs over a segment. The first that fits is taken. */
const passes: Readonly<Record<string, readonly (readonly [string, string, string])[]>> = {
  relay: [
    ['coil', 'coil', 'coil'],
    ['make', 'makeContact', 'contacts'],
    ['break', 'breakContact', 'rest contact'],
  ],
  keySwitch: [
    ['ignition', 'switch', '30–15'],
    ['start', 'switch', '30–50'],
    ['accessory', 'switch', '30–75'],
  ],
  twoFilamentLamp: [
    ['strong', 'lamp', 'strong filament'],
    ['faint', 'lamp', 'faint filament'],
  ],
  starter: [
    ['motor', 'starterMotor', 'motor and main contact'],
    ['holdIn', 'coil', 'solenoid'],
  ],
  alternator: [
    ['exciter', 'coil', 'exciter'],
    ['output', 'generator', 'output'],
  ],
  multiConnector: [1, 2, 3, 4, 5, 6].map((n) => [`pin${n}`, 'connector', `pin ${n}`] as const),
  sensor3: [
    ['wiper', 'block', 'signal'],
    ['upper', 'track', 'track'],
  ],
  module: [
    ['low1', 'driver', 'low side 1'],
    ['low2', 'driver', 'low side 2'],
    ['high1', 'driver', 'high side 1'],
    ['high2', 'driver', 'high side 2'],
    ['in1', 'block', 'input 1'],
    ['in2', 'block', 'input 2'],
    ['in3', 'block', 'input 3'],
    ['in4', 'block', 'input 4'],
    ['sig1', 'block', 'signal 1'],
    ['sig2', 'block', 'signal 2'],
    ['ignition', 'block', 'ignition supply'],
    ['supply', 'block', 'battery supply'],
  ],
}

/** Symbols that show a contact and what follows it. */
const whole = new Set(['starterMotor'])

/** Undefined for a part that is drawn whole. */
export function passSymbol({ kind }: AnyPart, { segments }: Route): PassSymbol | undefined {
  const known = passes[kind]
  if (!known) return undefined
  for (const [segment, symbol, caption] of known) {
    const piece = segments.findIndex((s) => s.key === segment)
    if (piece < 0) continue
    return whole.has(symbol) ? { symbol, caption } : { symbol, caption, piece }
  }
  return { symbol: 'block', caption: '' }
}
