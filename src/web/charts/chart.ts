import { BarChart, LineChart } from 'echarts/charts'
import {
  GraphicComponent,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
} from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { faces, type Palette } from '../theme/tokens'

/** Every chart is made of these: axes, lines, bands and marks in the colours and faces of the theme. SVG prints sharply. */
use([
  BarChart,
  LineChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  GraphicComponent,
  SVGRenderer,
])

type Pair = readonly [x: number, y: number | null]

/** What every chart has: nothing moves by itself, and names are not measured at every update. */
export const base = (p: Palette) => ({
  animation: false,
  textStyle: { fontFamily: faces.text, color: p.ink },
})

export const words = (p: Palette) => ({ fontFamily: faces.readings, fontSize: 11, color: p.quiet })

/** An axis of numbers; what is said of it beside that goes over its usual look. */
export const axis = (p: Palette, more: object = {}) => ({
  type: 'value' as const,
  axisLabel: words(p),
  axisLine: { lineStyle: { color: p.ruleStrong } },
  splitLine: { lineStyle: { color: p.rule } },
  ...more,
})

/** A line through points, or in steps. */
export const line = (data: readonly Pair[], color: string, width: number, more: object = {}) => ({
  type: 'line' as const,
  data,
  symbol: 'none',
  lineStyle: { color, width },
  itemStyle: { color },
  ...more,
})

/** The area between two lines that have the same x: what stands between them is within the tolerance. */
export const band = (
  name: string,
  points: readonly (readonly [x: number, low: number | null, high: number | null])[],
  color: string,
  more: object = {},
) => [
  line(
    points.map(([x, low]) => [x, low]),
    color,
    0,
    { stack: name, silent: true, lineStyle: { opacity: 0 }, ...more },
  ),
  line(
    points.map(([x, low, high]) => [x, low === null || high === null ? null : high - low]),
    color,
    0,
    {
      stack: name,
      stackStrategy: 'all',
      silent: true,
      lineStyle: { opacity: 0 },
      areaStyle: { color, opacity: 0.16 },
      ...more,
    },
  ),
]

export { niceStep } from './nice'
