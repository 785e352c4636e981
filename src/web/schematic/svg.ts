import { wireUp } from '../../core/model'
import { type Circuit } from '../../core/circuit'
import { voltageRamp } from '../theme/tokens'
import { sceneOf, stillOf, type Face, type Ink, type Marks, type Shape } from './scene'

const ink = '#1f2d33'
const quiet = '#59666b'

const pens: Readonly<Record<Ink, { width: number; stroke: string; fill?: string; dash?: string }>> = {
  jaws: { width: 3, stroke: '#1d5c63' },
  line: { width: 1.8, stroke: ink },
  heavy: { width: 3.6, stroke: ink },
  filled: { width: 1.8, stroke: ink, fill: ink },
  partial: { width: 1.8, stroke: ink, dash: '5 3.5' },
  ring: { width: 2.2, stroke: '#a3271b', dash: '7 3' },
  strike: { width: 4, stroke: ink },
  dot: { width: 1.5, stroke: ink, fill: '#fff' },
  red: { width: 3, stroke: '#a3271b', fill: '#a3271b' },
  black: { width: 3, stroke: ink, fill: ink },
}

const settings: Readonly<Record<Face, { size: number; weight?: number; fill?: string; mono?: true }>> = {
  tag: { size: 12, weight: 500, mono: true },
  id: { size: 13, weight: 500 },
  name: { size: 13 },
  minor: { size: 12 },
  flow: { size: 12, mono: true },
  out: { size: 13, weight: 500 },
  notice: { size: 13, weight: 500 },
  point: { size: 12, fill: quiet, mono: true },
  value: { size: 12, mono: true },
  lead: { size: 12, weight: 500, fill: '#fff' },
}

const escape = (text: string) =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!)

/**
 * The scene as a picture that stands by itself: every stroke and letter with its own attributes, so that a drawing
 * program or a printer needs nothing of ours.
 */
export function drawingSvg(
  circuit: Circuit,
  {
    face = 'Fira Sans, DejaVu Sans, sans-serif',
    mono = face,
    ...marks
  }: { face?: string; mono?: string } & Marks = {},
): string {
  const scene = sceneOf(stillOf(circuit, wireUp(circuit)), marks)
  const draw = (shape: Shape, back: boolean): string => {
    if (shape.type === 'text') {
      const { x, y, anchor, spans } = shape
      const written = spans.map(({ text, face: as, dx, dy }) => {
        const { size, weight = 400, fill = ink, mono: even } = settings[as]
        const at = dy ? ` x="${x}" dy="${dy}"` : dx ? ` dx="${dx}"` : ''
        return `<tspan${at} font-family="${even ? mono : face}" font-size="${size}" font-weight="${weight}" fill="${fill}">${escape(text)}</tspan>`
      })
      return `<text x="${x}" y="${y}" text-anchor="${anchor}">${written.join('')}</text>`
    }
    const { width, stroke, fill = 'none', dash } = pens[shape.ink]
    const returning = back && (shape.ink === 'line' || shape.ink === 'partial')
    const pen = `stroke="${returning ? quiet : stroke}" stroke-width="${returning ? 3 : width}" stroke-linecap="round" stroke-linejoin="round"${dash ? ` stroke-dasharray="${dash}"` : ''}`
    switch (shape.type) {
      case 'path':
        return `<path d="${shape.d}" fill="${fill}" ${pen}${shape.transform ? ` transform="${shape.transform}"` : ''}/>`
      case 'circle':
        return `<circle cx="${shape.x}" cy="${shape.y}" r="${shape.r}" fill="${shape.share === undefined ? fill : rampOf(shape.share)}" ${pen}/>`
      case 'rect':
        return `<rect x="${shape.x}" y="${shape.y}" width="${shape.width}" height="${shape.height}" fill="${fill}" ${pen}/>`
      case 'ellipse':
        return `<ellipse cx="${shape.x}" cy="${shape.y}" rx="${shape.rx}" ry="${shape.ry}" fill="${fill}" ${pen}/>`
    }
  }
  const out = [
    ...[...scene.tags, ...scene.links, ...scene.parts].flatMap(({ shapes, back }) =>
      shapes().map((shape) => draw(shape, back)),
    ),
    ...scene.places.flatMap(({ shapes }) => shapes().map((shape) => draw(shape, false))),
    ...scene.points.flatMap(({ shapes }) => shapes().map((shape) => draw(shape, false))),
  ]
  const [width, height] = [Math.ceil(scene.width), Math.ceil(scene.height)]
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${out.join('')}</svg>\n`
}

/** Colour of a share of the supply, on a ramp that survives colour blindness. */
export const rampOf = (share: number): string =>
  voltageRamp[Math.max(0, Math.min(voltageRamp.length - 1, Math.round(share * (voltageRamp.length - 1))))]!
