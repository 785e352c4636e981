import type { Part } from '../circuit'
import type { Filament } from '../parts'
import type { Machine } from '../parts/motor'
import type { SeriesMachine } from '../parts/starter'
import type { Element } from '../solve'
import { winding, type Dynamic } from './dynamic'
import { warmingFilament } from './lamp'
import { spinningMotor, spinningStarter } from './machines'

/** What an element does in time, from its part's values; undefined for what has no state worth following. */
type Maker = (part: Part, element: Element, kelvin: number) => Dynamic | undefined

const coil: Maker = ({ parameters }, element) =>
  element.type === 'resistor' && element.ohms !== Infinity
    ? winding(element.ohms, Number(parameters.inductance))
    : undefined

const filament =
  (watts: string): Maker =>
  ({ parameters }, element, kelvin) =>
    element.type === 'curve'
      ? warmingFilament({ ...asFilament(parameters), ratedPower: Number(parameters[watts]) }, kelvin)
      : undefined

const asFilament = (parameters: Part['parameters']): Filament => ({
  ratedVoltage: Number(parameters.ratedVoltage),
  ratedPower: Number(parameters.ratedPower),
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

const series = ({ parameters }: Part): SeriesMachine => ({
  ratedVoltage: Number(parameters.ratedVoltage),
  ratedCurrent: Number(parameters.ratedCurrent),
  ohms: Number(parameters.ohms),
  breakaway: Number(parameters.breakaway),
})

/** By `kind.segment`. A part that moves, warms or stores gets its line here. */
const makers: Readonly<Record<string, Maker>> = {
  'relay.coil': coil,
  'horn.winding': coil,
  'solenoid.winding': coil,
  'speaker.winding': coil,
  'lamp.filament': filament('ratedPower'),
  'twoFilamentLamp.strong': filament('strongPower'),
  'twoFilamentLamp.faint': filament('faintPower'),
  'motor.armature': (part, element) => (element.type === 'curve' ? spinningMotor(machine(part)) : undefined),
  'starter.motor': (part, element) => (element.type === 'curve' ? spinningStarter(series(part)) : undefined),
}

export function dynamicOf(part: Part, element: Element, kelvin: number): Dynamic | undefined {
  return makers[`${part.kind}.${element.owner.segment}`]?.(part, element, kelvin)
}
