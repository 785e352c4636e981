/**
 * Graphic symbols after IEC 60617, in our own line weights. Each runs down its own axis from (0, 0) to (0, length)
 * and says where its terminals sit on the way, as shares of the length.
 */
export interface Stroke {
  readonly d: string
  readonly filled?: boolean
  readonly heavy?: boolean
}

export interface SymbolState {
  readonly position: string | undefined
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
    draw: (l, { position }) => [
      { d: `M0 0V${0.28 * l}M0 ${0.72 * l}V${l}` },
      {
        d: position === 'closed' ? `M0 ${0.72 * l}L0 ${0.28 * l}` : `M0 ${0.72 * l}L-15 ${0.26 * l}`,
        heavy: true,
      },
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
    draw: (l) => [{ d: `M0 0V${l}` }, { d: circle(0, l / 2, 7) }, { d: `M-12 ${l / 2}H-7M7 ${l / 2}H12` }],
  },
  chassis: {
    length: 100,
    terminals: [0, 1],
    draw: (l) => [
      { d: `M0 0V${l}`, heavy: true },
      { d: `M0 ${0.3 * l}L-9 ${0.4 * l}M0 ${0.5 * l}L-9 ${0.6 * l}M0 ${0.7 * l}L-9 ${0.8 * l}` },
    ],
  },
  strap: {
    length: 130,
    terminals: [0, 0.45, 1],
    draw: (l, { detached }) =>
      detached
        ? [{ d: `M0 0V${0.52 * l}M0 ${0.8 * l}V${l}`, heavy: true }, gap(0.52 * l, 0.8 * l)]
        : [{ d: `M0 0V${l}`, heavy: true }],
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

const plain: Symbol = {
  length: 50,
  terminals: [0, 1],
  draw: (l) => [{ d: `M0 0V${0.25 * l}M0 ${0.75 * l}V${l}` }, { d: `M-10 ${0.25 * l}H10V${0.75 * l}H-10Z` }],
}

export const symbolOf = (kind: string): Symbol => symbols[kind] ?? plain
