import { inject, type InjectionKey, type Ref } from 'vue'
import { palettes, type Palette, type Scheme } from './tokens'

export const schemeKey: InjectionKey<Ref<Scheme>> = Symbol('scheme')

/** Light or dark, as chosen on this machine. */
export function useScheme(): Ref<Scheme> {
  const scheme = inject(schemeKey)
  if (!scheme) throw new Error('no scheme is provided')
  return scheme
}

export const paletteOf = (scheme: Scheme): Palette => palettes[scheme]
