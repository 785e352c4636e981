import type { GlobalThemeOverrides } from 'naive-ui'
import { faces, palettes, type Scheme } from './tokens'

/** Carries the tokens into the component library. */
export function themeOverrides(scheme: Scheme): GlobalThemeOverrides {
  const p = palettes[scheme]
  return {
    common: {
      fontFamily: faces.text,
      fontFamilyMono: faces.readings,
      fontSize: '14px',
      borderRadius: '3px',
      primaryColor: p.accent,
      primaryColorHover: p.accent,
      primaryColorPressed: p.ink,
      primaryColorSuppl: p.accent,
      errorColor: p.fault,
      successColor: p.good,
      warningColor: p.doubt,
      infoColor: p.accent,
      textColorBase: p.ink,
      textColor1: p.ink,
      textColor2: p.ink,
      textColor3: p.quiet,
      placeholderColor: p.quiet,
      bodyColor: p.paper,
      cardColor: p.sheet,
      modalColor: p.sheet,
      popoverColor: p.sheet,
      inputColor: p.sheet,
      borderColor: p.ruleStrong,
      dividerColor: p.rule,
    },
    Button: {
      fontWeight: '500',
      textColorPrimary: p.sheet,
      textColorHoverPrimary: p.sheet,
      textColorPressedPrimary: p.sheet,
      textColorFocusPrimary: p.sheet,
    },
    Input: { border: `1px solid ${p.ruleStrong}`, borderHover: `1px solid ${p.accent}` },
  }
}
