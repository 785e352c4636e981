import { h, type FunctionalComponent, type VNode } from 'vue'
import type { Ink, Shape } from './scene'
import { lineSpacing } from './detail'
import { rampOf } from './svg'

const inks: Readonly<Record<Ink, string>> = {
  jaws: 'jaws',
  line: 'stroke',
  heavy: 'stroke heavy',
  filled: 'stroke filled',
  partial: 'stroke partial',
  ring: 'ring',
  strike: 'strike',
  dot: 'dot',
  red: 'lead red',
  black: 'lead black',
}

/** The scene's renderer for the screen: shapes as elements, ink and face as classes. */
export const SceneShapes: FunctionalComponent<{ shapes: readonly Shape[] }> = ({ shapes }) => shapes.map(draw)
SceneShapes.props = ['shapes']

function draw(shape: Shape, key: number): VNode {
  switch (shape.type) {
    case 'path':
      return h('path', { key, d: shape.d, transform: shape.transform, class: inks[shape.ink] })
    case 'circle': {
      const { x, y, r, ink, share } = shape
      const style = share === undefined ? undefined : { fill: rampOf(share) }
      return h('circle', { key, cx: x, cy: y, r, class: inks[ink], style })
    }
    case 'rect': {
      const { x, y, width, height, ink } = shape
      return h('rect', { key, x, y, width, height, class: inks[ink] })
    }
    case 'ellipse': {
      const { x, y, rx, ry, ink } = shape
      return h('ellipse', { key, cx: x, cy: y, rx, ry, class: inks[ink] })
    }
    case 'text': {
      const { x, y, anchor, spans } = shape
      // Lines keep their distance as the letters grow against the drawing.
      const written = spans.map(({ text, face, dx, dy }, i) => {
        const down = dy ? `${lineSpacing}em` : undefined
        return h('tspan', { key: i, x: dy ? x : undefined, dy: down, dx, class: `face-${face}` }, text)
      })
      return h('text', { key, x, y, 'text-anchor': anchor }, written)
    }
  }
}
