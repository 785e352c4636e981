import { presetWind3 } from '@unocss/preset-wind3'
import type { VitePluginConfig } from '@unocss/vite'
import { palettes } from './src/web/theme/tokens'

const kebab = (name: string) => name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)
const colours = Object.fromEntries(
  Object.keys(palettes.light).map((name) => [kebab(name), `var(--${kebab(name)})`]),
)
const sides: Readonly<Record<string, string>> = { t: '-top', r: '-right', b: '-bottom', l: '-left' }

/**
 * Layout is written as utility classes in the templates; what needs a selector of its own stays a scoped rule and wins
 * over them. Colours and faces are the theme's only.
 */
const config: VitePluginConfig = {
  // As strong as a scoped rule, and written before all of them.
  presets: [presetWind3({ preflight: 'on-demand', important: ':root' })],
  theme: { colors: colours, fontFamily: { text: 'var(--face-text)', readings: 'var(--face-readings)' } },
  rules: [
    // line: a hairline around. line-2px-ink: two pixels of ink. One side's stand after, so that they win: line-t, line-b-2px-ink.
    [
      /^line(?:-(\d+(?:\.\d+)?px))?(?:-([a-z]{3}[a-z-]*))?$/,
      ([, width = '1px', colour = 'rule']) =>
        colours[colour] ? { border: `${width} solid ${colours[colour]}` } : undefined,
    ],
    [
      /^line-([trbl])(?:-(\d+(?:\.\d+)?px))?(?:-([a-z-]+))?$/,
      ([, side, width = '1px', colour = 'rule']) =>
        colours[colour] ? { [`border${sides[side!]}`]: `${width} solid ${colours[colour]}` } : undefined,
    ],
  ],
  content: { pipeline: { include: [/src\/web\/.*\.vue($|\?)/] } },
}
export default config
