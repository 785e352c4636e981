import type { Element } from '../solve'
import type { Site } from './definition'

/** Puts `extra` in series with the first element of the segment, on its supply side. */
export function inSeries({ elements, freshNode }: Site, extra: (a: number, b: number) => Element): Element[] {
  const [first, ...rest] = elements
  if (!first) return []
  const [sole] = elements.length === 1 ? elements : []
  const added = sole?.type === 'resistor' ? extra(sole.a, sole.b) : undefined
  // Two resistors in a row are one: nobody can measure between them.
  if (sole?.type === 'resistor' && added?.type === 'resistor')
    return [
      {
        ...sole,
        ohms: sole.ohms + added.ohms,
        // How far the fault strays is its severity: only the sound piece's own share has a tolerance.
        tolerance: ((sole.tolerance ?? 0) * sole.ohms) / (sole.ohms + added.ohms),
      },
    ]
  const middle = freshNode()
  return [extra(first.a, middle), { ...first, a: middle }, ...rest]
}

/** A conductor that touches `other` half-way along: half of it before the place, half after. */
export function halfWay({ elements, freshNode, at }: Site, other: number, ohms: number): Element[] {
  const [first, ...rest] = elements
  if (!first || first.type !== 'resistor') return [...elements]
  const middle = freshNode()
  return [
    { ...first, ohms: first.ohms * at, b: middle },
    { ...first, ohms: first.ohms * (1 - at), a: middle },
    { type: 'resistor', a: middle, b: other, ohms, owner: first.owner },
    ...rest,
  ]
}

/** A law that carries `share` of the current. */
export function scaled(element: Element, share: number): Element {
  switch (element.type) {
    case 'resistor':
      return { ...element, ohms: element.ohms / share }
    case 'nonlinear': {
      const { law } = element
      return {
        ...element,
        law: {
          ...(law.chord === undefined ? {} : { chord: law.chord * share }),
          at(v, out) {
            law.at(v, out)
            out.current *= share
            out.slope *= share
          },
          // The current is measured by a source of no volts and `share` of it drawn between the same nodes.
          spice: (name, a, b) => [
            ...law.spice(name, `w${name}`, b),
            `EW${name} w${name}x ${b} ${a} ${b} 1`,
            `VW${name} w${name}x w${name} 0`,
            `FW${name} ${a} ${b} VW${name} ${share}`,
          ],
        },
      }
    }
    default:
      return element
  }
}

/** Amps that melt a bare copper wire of `area` mm²: `80·d^1.5`, d its diameter in mm (Preece; from memory). */
export const fusingAmps = (area: number): number => 80 * Math.sqrt((4 * area) / Math.PI) ** 1.5
