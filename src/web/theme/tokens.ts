/** Every colour, size and face of the interface. Nothing else names one. */
export const palettes = {
  light: {
    paper: '#f7f3ea',
    sheet: '#fdfbf6',
    ink: '#1f2d33',
    quiet: '#59666b',
    rule: '#d8d0c0',
    ruleStrong: '#8d8672',
    accent: '#1d5c63',
    accentSoft: '#dbe9e6',
    fault: '#a83a12',
    faultSoft: '#f6dfd3',
    good: '#2c6a3f',
    goodSoft: '#dfecdd',
    doubt: '#7a5600',
    doubtSoft: '#f5e8c4',
    focus: '#b4451c',
    leadRed: '#a3201a',
    leadBlack: '#16191b',
  },
  dark: {
    paper: '#14191b',
    sheet: '#1b2225',
    ink: '#ece7db',
    quiet: '#a9b1b1',
    rule: '#39444a',
    ruleStrong: '#75828a',
    accent: '#7cc4c0',
    accentSoft: '#20393b',
    fault: '#f19a6f',
    faultSoft: '#43281c',
    good: '#8fcf9d',
    goodSoft: '#1f3826',
    doubt: '#e4c169',
    doubtSoft: '#3d3218',
    focus: '#f3b08d',
    leadRed: '#ff8f84',
    leadBlack: '#d9dee0',
  },
} as const

export type Scheme = keyof typeof palettes
export type Palette = { readonly [K in keyof (typeof palettes)['light']]: string }

export const faces = {
  text: "'Fira Sans', 'DejaVu Sans', sans-serif",
  readings: "'Fira Mono', 'DejaVu Sans Mono', monospace",
}

/** Low to high voltage, dark to light and blue to yellow: reads the same without red and green. */
export const voltageRamp = ['#2b3f73', '#4d5f80', '#757b7d', '#9c9266', '#c2a63f'] as const

/** Writes the palette where the style sheets find it. */
export function applyPalette(scheme: Scheme): void {
  const root = document.documentElement
  root.dataset.scheme = scheme
  // Scroll bars and whatever else the browser draws itself.
  root.style.colorScheme = scheme
  for (const [name, value] of Object.entries(palettes[scheme])) {
    root.style.setProperty(`--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}`, value)
  }
  root.style.setProperty('--face-text', faces.text)
  root.style.setProperty('--face-readings', faces.readings)
}
