import fc from 'fast-check'
import { expect, it } from 'vitest'
import { filamentTable, solveFilament } from './filament-table'
import { drawn } from '../../../test/random'

const tabled = { current: 0, slope: 0 }
const solved = { current: 0, slope: 0 }

it('misses the heat balance by less than a billionth, from a glimmer to far beyond the rating', () => {
  fc.assert(
    fc.property(
      fc.double({ min: Math.log(1e-6), max: Math.log(40), noNaN: true }),
      fc.constantFrom(293.15 / 2800, 233.15 / 1800, 358.15 / 3300),
      (lnShare, cold) => {
        const share = Math.exp(lnShare)
        filamentTable(cold)(share, tabled)
        solveFilament(cold, share, solved)
        expect(Math.abs(tabled.current / solved.current - 1)).toBeLessThan(1e-9)
        expect(Math.abs(tabled.slope - solved.slope)).toBeLessThan(1e-6 * solved.current)
      },
    ),
    drawn(3000),
  )
})

it('is the cold filament at no volts, reversed or not', () => {
  const cold = 293.15 / 2800
  filamentTable(cold)(0, tabled)
  expect(tabled.current).toBeCloseTo(cold ** -1.214, 9)
  expect(tabled.slope).toBeCloseTo(0, 12)
})
