import type { Part } from '../circuit'
import { partOfKind, type Filament } from '../parts'
import type { Machine } from '../parts/motor'
import { dragAt, type SeriesMachine } from '../parts/starter'
import type { Element } from '../solve'
import { winding, type Dynamic } from './dynamic'
import { warmingFilament } from './lamp'
import { spinningMotor, spinningStarter } from './machines'

const filament = ({ parameters }: Part, watts: string): Filament => ({
  ratedVoltage: Number(parameters.ratedVoltage),
  ratedPower: Number(parameters[watts]),
  workingKelvin: Number(parameters.workingKelvin),
})

const machine = ({ parameters }: Part): Machine => ({
  ratedVoltage: Number(parameters.ratedVoltage),
  ratedCurrent: Number(parameters.ratedCurrent),
  armatureOhms: Math.min(
    Number(parameters.armatureOhms),
    (0.9 * Number(parameters.ratedVoltage)) / Number(parameters.ratedCurrent),
  ),
  friction: Number(parameters.friction),
})

const series = ({ parameters }: Part, kelvin: number): SeriesMachine => ({
  drag: dragAt(kelvin - 273.15),
  ratedVoltage: Number(parameters.ratedVoltage),
  ratedCurrent: Number(parameters.ratedCurrent),
  ohms: Number(parameters.ohms),
  breakaway: Number(parameters.breakaway),
})

/** What an element does in time, from what its segment says of itself; undefined for what has no state worth following. */
export function dynamicOf(part: Part, element: Element, kelvin: number): Dynamic | undefined {
  const segment = partOfKind(part.kind).segments.find((s) => s.key === element.owner.segment)
  if (!segment?.inTime) return undefined
  const { inTime } = segment
  if (inTime.type === 'winding')
    return element.type === 'resistor' && element.ohms !== Infinity
      ? winding(element.ohms, Number(part.parameters[inTime.henry]))
      : undefined
  if (element.type !== 'nonlinear') return undefined
  switch (inTime.type) {
    case 'filament':
      return warmingFilament(filament(part, inTime.watts), kelvin)
    case 'motor':
      return spinningMotor(machine(part))
    case 'starter':
      return spinningStarter(series(part, kelvin))
  }
}
