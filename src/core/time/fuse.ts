import { meltsAbove } from '../parts'

/** Seconds of the fuse's own heat (common practice: it puts the melting times inside the gates below). */
const heatSeconds = 1.4

/**
 * Heat of a fuse's link as a share of what melts it: τ·dx/dt = (i / 1.2·Iₙ)² − x. Melts after
 * t = −τ·ln(1 − (1.2·Iₙ/i)²) of a steady overload, and at short times after I²t = τ·(1.2·Iₙ)². Inside the gates of
 * ISO 8820-3: 110 % 100 h at least, 135 % 0.75 to 600 s, 160 % 0.25 to 50 s, 200 % 0.15 to 5 s, 350 % 0.04 to 0.5 s,
 * 600 % 0.02 to 0.1 s (from memory).
 * @param x heat before the step, as a share of what melts it
 * @param h length of the step, s
 * @param amps A
 * @param rating A
 * @returns heat after the step, as a share of what melts it
 */
export function linkHeat(x: number, h: number, amps: number, rating: number): number {
  const drive = (amps / (meltsAbove * rating)) ** 2
  return drive + (x - drive) * Math.exp(-h / heatSeconds)
}

/**
 * Seconds of a steady current that melt a cold fuse; Infinity where it never does.
 * @param amps A
 * @param rating A
 * @returns s
 */
export function meltingTime(amps: number, rating: number): number {
  const share = ((meltsAbove * rating) / amps) ** 2
  return share >= 1 ? Infinity : -heatSeconds * Math.log(1 - share)
}
