import type { Network } from '../solve'

/**
 * A network as a SPICE netlist with an operating-point analysis. Node 0 is the reference; nonlinear parts are
 * behavioural sources. Node names are numbers, `nodeNames` goes into comments.
 */
export function toSpice(
  network: Network,
  title: string,
  nodeNames: ReadonlyMap<number, string> = new Map(),
): string {
  const lines = [`* ${title.replace(/\s+/g, ' ')}`]
  for (const [node, name] of nodeNames) lines.push(`* node ${node}: ${name}`)
  network.elements.forEach((element, i) => {
    const a = String(element.a)
    const b = String(element.b)
    const name = `${element.owner.part}${element.owner.segment}${i}`
    switch (element.type) {
      case 'resistor':
        if (element.ohms !== Infinity) lines.push(`R${name} ${a} ${b} ${element.ohms}`)
        return
      case 'source':
        lines.push(`V${name} s${i} ${b} ${element.volts}`, `R${name} ${a} s${i} ${element.ohms}`)
        return
      case 'ideal':
        lines.push(`V${name} ${a} ${b} ${element.volts}`)
        return
      case 'current':
        lines.push(`I${name} ${b} ${a} ${element.amps}`)
        return
      case 'nonlinear':
        lines.push(...element.law.spice(name, a, b))
    }
  })
  return [...lines, '.op', '.end', ''].join('\n')
}
