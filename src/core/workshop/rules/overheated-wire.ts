import { copperArea } from '../../circuit'
import { overheats } from '../../parts'
import { say } from '../../document'
import type { Rule } from './rule'

/** A conductor that carries what nothing stops: its insulation smokes in seconds, and then it melts. */
export const overheatedWire: Rule = {
  id: 'overheated-wire',
  check: ({ circuit, key }) =>
    circuit.parts.flatMap((part) => {
      const area = copperArea(part)
      const drop = key?.drops.find((d) => d.part === part.id)
      if (area === undefined || !drop) return []
      if (key?.blown.includes(part.id))
        return [
          { part: part.id, weight: 'hazard' as const, text: say('workshop.burntThrough', { id: part.id }) },
        ]
      const heat = overheats(area, drop.amps)
      if (!heat) return []
      return [
        {
          part: part.id,
          weight: 'hazard' as const,
          text: say('workshop.burns', {
            id: part.id,
            amps: { value: Math.abs(drop.amps), unit: 'A' },
            smokes: { value: roughly(heat.smokes), unit: 's' },
            melts: { value: roughly(heat.melts), unit: 's' },
          }),
        },
      ]
    }),
}

/** It is no more exact than that. */
const roughly = (seconds: number): number => Number(seconds.toPrecision(2))
