/**
 * Graphic symbols after IEC 60617, in our own line weights. Each runs down its own axis from (0, 0) to (0, length)
 * and says where its terminals sit on the way, as shares of the length.
 */
export interface Stroke {
  readonly d: string
  readonly filled?: boolean
  readonly heavy?: boolean
  /** Outline of a part of which only a piece is drawn here: dashed. */
  readonly partial?: boolean
  /** How far down the axis it stands. */
  readonly dy?: number
}

export interface SymbolState {
  /** A relay that has pulled in. */
  readonly pulled?: boolean
  /** A contact in a position that closes it. */
  readonly closed?: boolean
  readonly detached: boolean
}

export interface Symbol {
  readonly length: number
  /** One per terminal of the part, 0 to 1. */
  readonly terminals: readonly number[]
  readonly draw: (length: number, state: SymbolState) => readonly Stroke[]
}

const circle = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`
/** The line broken by a gap, with two short bars: something is taken out here. */
const gap = (from: number, to: number): Stroke => ({ d: `M-5 ${from}H5M-5 ${to}H5` })

export const symbols: Readonly<Record<string, Symbol>> = {
  wire: { length: 34, terminals: [0, 1], draw: (l) => [{ d: `M0 0V${l}` }] },
  fuse: {
    length: 78,
    terminals: [0, 0.27, 0.73, 1],
    draw: (l, { detached }) =>
      detached
        ? [{ d: `M0 0V${0.18 * l}M0 ${0.82 * l}V${l}` }, gap(0.18 * l, 0.82 * l)]
        : [{ d: `M0 0V${l}` }, { d: `M-7 ${0.32 * l}H7V${0.68 * l}H-7Z` }],
  },
  switch: {
    length: 52,
    terminals: [0, 1],
    draw: (l, { closed, detached }) => [
      { d: `M0 0V${0.28 * l}M0 ${0.72 * l}V${l}` },
      ...(detached ? [gap(0.08 * l, 0.2 * l)] : []),
      { d: closed ? `M0 ${0.72 * l}L0 ${0.28 * l}` : `M0 ${0.72 * l}L-15 ${0.26 * l}`, heavy: true },
    ],
  },
  connector: {
    length: 42,
    terminals: [0, 1],
    draw: (l, { detached }) => {
      const apart = detached ? 7 : 0
      return [
        { d: `M0 0V${0.5 * l - 5 - apart}M0 ${0.5 * l + apart}V${l}` },
        { d: `M-9 ${0.5 * l + 3 - apart}A9 9 0 0 1 9 ${0.5 * l + 3 - apart}` },
        { d: `M-2.5 ${0.5 * l - 1 + apart}H2.5V${0.5 * l + 9 + apart}H-2.5Z`, filled: true },
      ]
    },
  },
  lamp: {
    length: 92,
    terminals: [0, 0.26, 0.74, 1],
    draw: (l, { detached }) => {
      const c = l / 2
      const r = 15
      const k = r * Math.SQRT1_2
      return [
        {
          d: detached
            ? `M0 0V${0.12 * l}M0 ${0.26 * l}V${c - r}M0 ${c + r}V${0.74 * l}M0 ${0.88 * l}V${l}`
            : `M0 0V${c - r}M0 ${c + r}V${l}`,
        },
        ...(detached ? [gap(0.12 * l, 0.88 * l)] : []),
        { d: circle(0, c, r) },
        { d: `M${-k} ${c - k}L${k} ${c + k}M${k} ${c - k}L${-k} ${c + k}` },
      ]
    },
  },
  heater: {
    length: 64,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.2 * l}M0 ${0.8 * l}V${l}` },
      { d: `M-8 ${0.2 * l}H8V${0.8 * l}H-8Z` },
      { d: `M-8 ${0.4 * l}H8M-8 ${0.6 * l}H8` },
    ],
  },
  motor: {
    length: 66,
    terminals: [0, 1],
    draw: (l, { detached }) => [
      { d: detached ? `M0 0V${0.1 * l}M0 ${l / 2 + 16}V${l}` : `M0 0V${l / 2 - 16}M0 ${l / 2 + 16}V${l}` },
      ...(detached ? [gap(0.1 * l, 0.25 * l)] : []),
      { d: circle(0, l / 2, 16) },
      { d: `M-7 ${l / 2 + 7}V${l / 2 - 7}L0 ${l / 2 + 2}L7 ${l / 2 - 7}V${l / 2 + 7}` },
    ],
  },
  led: {
    length: 84,
    terminals: [0, 0.5, 1],
    draw: (l) => [
      { d: `M0 0V${0.12 * l}M0 ${0.38 * l}V${l}` },
      { d: `M-6 ${0.12 * l}H6V${0.38 * l}H-6Z` },
      { d: `M-9 ${0.64 * l}H9L0 ${0.84 * l}ZM-9 ${0.84 * l}H9` },
      { d: `M12 ${0.7 * l}L19 ${0.62 * l}M13 ${0.8 * l}L20 ${0.72 * l}` },
    ],
  },
  stud: {
    length: 58,
    terminals: [0, 0.5, 1],
    draw: (l) => [{ d: `M0 0V${l}` }, { d: circle(0, l / 2, 7.5) }],
  },
  chassis: {
    length: 100,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${l}`, heavy: true },
      { d: `M0 ${0.3 * l}L9 ${0.4 * l}M0 ${0.5 * l}L9 ${0.6 * l}M0 ${0.7 * l}L9 ${0.8 * l}` },
    ],
  },
  strap: {
    length: 150,
    terminals: [0, 0.45, 1],
    draw: (l, { detached }) =>
      detached
        ? [{ d: `M0 0V${0.52 * l}M0 ${0.8 * l}V${l}`, heavy: true }, gap(0.52 * l, 0.8 * l)]
        : [{ d: `M0 0V${l}`, heavy: true }],
  },
  coil: {
    length: 84,
    terminals: [0, 1],
    draw: (l, { detached }) => [
      { d: `M0 0V${detached ? 0.12 * l : 0.34 * l}M0 ${0.66 * l}V${l}` },
      ...(detached ? [gap(0.12 * l, 0.3 * l)] : []),
      { d: `M-17 ${0.34 * l}H17V${0.66 * l}H-17Z` },
      { d: `M-6 ${0.66 * l}L6 ${0.34 * l}` },
    ],
  },
  makeContact: {
    length: 84,
    terminals: [0, 1],
    draw: (l, { pulled, detached }) => [
      { d: `M0 0V${detached ? 0.1 * l : 0.32 * l}M0 ${detached ? 0.9 * l : 0.68 * l}V${l}` },
      ...(detached ? [gap(0.1 * l, 0.9 * l)] : []),
      { d: pulled ? `M0 ${0.68 * l}L0 ${0.32 * l}` : `M0 ${0.32 * l}L-15 ${0.66 * l}`, heavy: true },
      { d: `M-5 ${0.68 * l}H5` },
    ],
  },
  breakContact: {
    length: 84,
    terminals: [0, 1],
    draw: (l, { pulled }) => [
      { d: `M0 0V${0.32 * l}M0 ${0.68 * l}V${l}` },
      { d: pulled ? `M0 ${0.32 * l}L-15 ${0.66 * l}` : `M0 ${0.32 * l}L3 ${0.68 * l}`, heavy: true },
      { d: `M0 ${0.68 * l}H9` },
    ],
  },
  starterMotor: {
    length: 112,
    terminals: [0, 1],
    draw: (l, { pulled }) => [
      { d: `M0 0V${0.14 * l}M0 ${0.32 * l}V${0.5 * l + 6}M0 ${0.5 * l + 38}V${l}` },
      { d: pulled ? `M0 ${0.32 * l}V${0.14 * l}` : `M0 ${0.14 * l}L-14 ${0.31 * l}`, heavy: true },
      { d: circle(0, 0.5 * l + 22, 16) },
      { d: `M-6 ${0.5 * l + 29}L6 ${0.5 * l + 15}M6 ${0.5 * l + 15}H-1M6 ${0.5 * l + 15}V${0.5 * l + 22}` },
    ],
  },
  generator: {
    length: 76,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${l / 2 - 17}M0 ${l / 2 + 17}V${l}` },
      { d: circle(0, l / 2, 17) },
      { d: `M-9 ${l / 2 - 4}H9M-9 ${l / 2 + 5}q4.5 -8 9 0t9 0` },
    ],
  },
  track: {
    length: 84,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.25 * l}M0 ${0.75 * l}V${l}` },
      { d: `M-7 ${0.25 * l}H7V${0.75 * l}H-7Z` },
      { d: `M22 ${0.5 * l}H9M15 ${0.44 * l}L8 ${0.5 * l}L15 ${0.56 * l}` },
    ],
  },
  block: {
    length: 74,
    terminals: [0, 1],
    draw: (l, { detached }) => [
      { d: `M0 0V${detached ? 0.1 * l : 0.26 * l}M0 ${0.74 * l}V${l}` },
      ...(detached ? [gap(0.1 * l, 0.22 * l)] : []),
      { d: `M-19 ${0.26 * l}H19V${0.74 * l}H-19Z`, partial: true },
      { d: `M-11 ${0.5 * l}H-4M-1.5 ${0.5 * l}H1.5M4 ${0.5 * l}H11` },
    ],
  },
  driver: {
    length: 78,
    terminals: [0, 1],
    draw: (l, { detached }) => [
      { d: `M0 0V${detached ? 0.1 * l : 0.24 * l}M0 ${0.76 * l}V${l}` },
      ...(detached ? [gap(0.1 * l, 0.2 * l)] : []),
      { d: `M-19 ${0.24 * l}H19V${0.76 * l}H-19Z`, partial: true },
      { d: `M0 ${0.24 * l}V${0.38 * l}M0 ${0.62 * l}V${0.76 * l}M0 ${0.62 * l}L-9 ${0.4 * l}` },
    ],
  },
  solenoid: {
    length: 66,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.3 * l}M0 ${0.7 * l}V${l}` },
      { d: `M-12 ${0.3 * l}H12V${0.7 * l}H-12Z` },
      { d: `M12 ${0.5 * l}H20M20 ${0.38 * l}V${0.62 * l}` },
    ],
  },
  horn: {
    length: 62,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.28 * l}M0 ${0.72 * l}V${l}` },
      { d: `M-8 ${0.28 * l}H8V${0.72 * l}H-8Z` },
      { d: `M8 ${0.34 * l}L19 ${0.22 * l}V${0.78 * l}L8 ${0.66 * l}` },
    ],
  },
  speaker: {
    length: 62,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.34 * l}M0 ${0.66 * l}V${l}` },
      { d: `M-6 ${0.34 * l}H6V${0.66 * l}H-6Z` },
      { d: `M6 ${0.34 * l}L17 ${0.16 * l}V${0.84 * l}L6 ${0.66 * l}` },
    ],
  },
  resistor: {
    length: 58,
    terminals: [0, 1],
    draw: (l) => [{ d: `M0 0V${0.24 * l}M0 ${0.76 * l}V${l}` }, { d: `M-7 ${0.24 * l}H7V${0.76 * l}H-7Z` }],
  },
  sensor2: {
    length: 62,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.26 * l}M0 ${0.74 * l}V${l}` },
      { d: `M-7 ${0.26 * l}H7V${0.74 * l}H-7Z` },
      { d: `M-14 ${0.8 * l}H-8L12 ${0.24 * l}` },
    ],
  },
  diode: {
    length: 52,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.34 * l}M0 ${0.66 * l}V${l}` },
      { d: `M-9 ${0.34 * l}H9L0 ${0.66 * l}ZM-9 ${0.66 * l}H9` },
    ],
  },
  curveDiode: {
    length: 56,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.34 * l}M0 ${0.66 * l}V${l}` },
      { d: `M-9 ${0.34 * l}H9L0 ${0.66 * l}ZM-9 ${0.66 * l}H9` },
      { d: `M-9 ${0.66 * l}v-4M9 ${0.66 * l}v4` },
    ],
  },
  electronicLoad: {
    length: 66,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${l / 2 - 15}M0 ${l / 2 + 15}V${l}` },
      { d: circle(0, l / 2, 15) },
      { d: `M0 ${l / 2 - 9}V${l / 2 + 9}M-4 ${l / 2 + 3}L0 ${l / 2 + 9}L4 ${l / 2 + 3}` },
    ],
  },
  breaker: {
    length: 58,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.26 * l}M0 ${0.74 * l}V${l}` },
      { d: `M0 ${0.26 * l}C-16 ${0.36 * l} -16 ${0.64 * l} 0 ${0.74 * l}`, heavy: true },
      { d: circle(0, 0.26 * l, 2.5) },
      { d: circle(0, 0.74 * l, 2.5) },
    ],
  },
  fusibleLink: {
    length: 58,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${0.25 * l}M0 ${0.75 * l}V${l}` },
      { d: `M0 ${0.25 * l}q9 ${0.125 * l} 0 ${0.25 * l}t0 ${0.25 * l}` },
    ],
  },
  splice: {
    length: 34,
    terminals: [0, 1],
    draw: (l) => [{ d: `M0 0V${l}` }, { d: circle(0, l / 2, 4), filled: true }],
  },
  engineBlock: {
    length: 90,
    terminals: [0, 1],
    draw: (l) => [{ d: `M0 0V${l}`, heavy: true }, { d: `M-7 ${0.3 * l}H7V${0.7 * l}H-7Z` }],
  },
  pushButton: {
    length: 52,
    terminals: [0, 1],
    draw: (l, { closed }) => [
      { d: `M0 0V${0.3 * l}M0 ${0.7 * l}V${l}M-16 ${0.5 * l}H-22M-22 ${0.36 * l}V${0.64 * l}` },
      {
        d: closed ? `M0 ${0.7 * l}V${0.3 * l}` : `M0 ${0.7 * l}L-14 ${0.32 * l}`,
        heavy: true,
      },
    ],
  },
  benchSupply: {
    length: 110,
    terminals: [0, 0.2, 0.8, 1],
    draw: (l) => [
      { d: `M0 0V${0.34 * l}M0 ${0.66 * l}V${l}` },
      { d: `M-15 ${0.34 * l}H15V${0.66 * l}H-15Z` },
      { d: `M-4 ${0.42 * l}H4M0 ${0.42 * l - 4}V${0.42 * l + 4}M-4 ${0.58 * l}H4` },
    ],
  },
  battery: {
    length: 110,
    terminals: [0, 0.33, 0.67, 1],
    draw: (l) => [
      { d: `M0 0V${0.42 * l}M0 ${0.58 * l}V${l}` },
      { d: `M-17 ${0.42 * l}H17M-17 ${0.53 * l}H17` },
      { d: `M-8 ${0.475 * l}H8M-8 ${0.58 * l}H8`, heavy: true },
    ],
  },
}

/** The drawing of a key; every part names one that stands here. */
export function symbolOf(key: string): Symbol {
  const found = symbols[key]
  if (!found) throw new Error(`no symbol ${key}`)
  return found
}
