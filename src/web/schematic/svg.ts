import { wireUp, type Circuit } from '../../core/circuit'
import { partOfKind } from '../../core/parts'
import { firstLine, labelLines } from './label'
import { layOut } from './layout'
import { strokesOf } from './strokes'

const turn = { down: 0, left: 90, right: -90 }
const escape = (text: string) =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!)

/**
 * The schematic as a picture that stands by itself: every stroke and letter with its own attributes, so that a drawing
 * program or a printer needs nothing of ours. Points carry their short names; values are for whoever measures.
 */
export function drawingSvg(
  circuit: Circuit,
  {
    face = 'Fira Sans, DejaVu Sans, sans-serif',
    mono = face,
    values = new Map<number, string>(),
  }: { face?: string; mono?: string; values?: ReadonlyMap<number, string> } = {},
): string {
  const layout = layOut(circuit, wireUp(circuit))
  const out: string[] = []
  const text = (
    x: number,
    y: number,
    anchor: string,
    size: number,
    what: string,
    family = face,
    weight = 400,
    fill = '#1f2d33',
  ) =>
    out.push(
      `<text x="${x}" y="${y}" text-anchor="${anchor}" font-family="${family}" font-size="${size}" font-weight="${weight}" fill="${fill}">${escape(what)}</text>`,
    )
  const line = (d: string, width = 1.8, fill = 'none', more = '') =>
    out.push(
      `<path d="${d}" fill="${fill}" stroke="#1f2d33" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round"${more}/>`,
    )
  for (const { d } of layout.links) line(d)
  for (const { x, y, name, at } of layout.tags) {
    line(at === 'top' ? `M${x} ${y - 14}V${y}` : `M${x} ${y}V${y + 12}`)
    text(x, at === 'top' ? y - 19 : y + 27, 'middle', 12, name, mono, 600)
  }
  for (const placed of layout.parts) {
    const part = circuit.parts.find((p) => p.id === placed.id)!
    const definition = partOfKind(placed.kind)
    const strokes = strokesOf(placed, {
      position: definition.positions?.[0],
      detached: false,
    })
    out.push(`<g transform="translate(${placed.x} ${placed.y}) rotate(${turn[placed.direction]})">`)
    for (const s of strokes)
      line(
        s.d,
        s.heavy ? 3.6 : 1.8,
        s.filled ? '#1f2d33' : 'none',
        (s.partial && placed.caption ? ' stroke-dasharray="5 3.5"' : '') +
          (s.dy ? ` transform="translate(0 ${s.dy})"` : ''),
      )
    out.push('</g>')
    const wire = placed.kind === 'wire'
    const lines = labelLines(part, placed)
    const { x, anchor } = placed.label
    const first = firstLine(placed, lines.length)
    lines.forEach((what, i) =>
      text(x, first + 15 * i, anchor, i > 1 || wire ? 12 : 13, what, face, i === 0 && !wire ? 600 : 400),
    )
  }
  for (const { point, x, y, label } of layout.points) {
    out.push(`<circle cx="${x}" cy="${y}" r="4" fill="#fff" stroke="#1f2d33" stroke-width="1.5"/>`)
    const value = values.get(point.node)
    text(
      label.x,
      label.y,
      label.anchor,
      12,
      value ? `${point.name}  ${value}` : point.name,
      mono,
      400,
      '#59666b',
    )
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${Math.ceil(layout.width)} ${Math.ceil(layout.height)}" width="${Math.ceil(layout.width)}" height="${Math.ceil(layout.height)}">${out.join('')}</svg>\n`
}
