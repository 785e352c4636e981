import { partOfKind } from '../../parts'
import { acClamp, clampAmps, dcClamp, readClamp, type ClampType } from '../clamp'
import { defineInstrument, noEffects, type Instrument } from '../instrument'
import { say } from '../../document'
import { ampsSpread, around, byFactor, nothing, showAmps } from './common'

/** A clamp: what all conductors in its jaws carry together, along its arrow. */
function clampOf<const K extends string>(
  spec: Pick<Instrument<K>, 'key' | 'device' | 'title' | 'about' | 'settings'> & { readonly type: ClampType },
): Instrument<K> {
  const zeroed = (setting: string | undefined) => setting !== 'not'
  return defineInstrument({
    ...spec,
    cautions: () => [],
    holds: ['jaws'],
    nature: ({ zero }) => ({
      draws: 0,
      underLoad: true,
      ...(spec.type.sees === 'AC only' && { blind: true as const }),
      ...(!zeroed(zero) && { notZeroed: true as const }),
    }),
    read: ({ solved, place, settings }) => {
      if (place.type !== 'jaws') return nothing('–')
      const value = readClamp(solved, place.conductors, spec.type, zeroed(settings.zero))
      const count = place.conductors.length
      return {
        value,
        unit: 'A',
        text: showAmps(value),
        signs: count > 1 ? [say('instruments.sum', { count })] : [],
        did: noEffects,
      }
    },
    expect: ({ solved, place, settings }) => {
      if (place.type !== 'jaws' || spec.type.sees === 'AC only') return around(0, spec.type.digit)
      const each = place.conductors.map((c) => Math.abs(clampAmps(solved, [c])))
      const value = clampAmps(solved, place.conductors) + (zeroed(settings.zero) ? 0 : spec.type.zeroOffset)
      // Each conductor varies by itself; round two of them their sum may be small and its spread is not.
      const spread = Math.hypot(...each) * (ampsSpread + spec.type.percent / 100)
      return around(value, 2 * spec.type.digit + spread)
    },
    guess: ({ solved, place }) =>
      place.type !== 'jaws' || spec.type.sees === 'AC only' ? undefined : clampAmps(solved, place.conductors),
    tells: byFactor(0.02),
    asks: { type: 'value', unit: 'A', open: false },
    places: (circuit) => [
      ...circuit.bundles.flatMap((b) => b.places.map((p) => ({ type: 'jaws' as const, round: [p.id] }))),
      ...circuit.parts.flatMap((part) =>
        partOfKind(part.kind).cable ? [{ type: 'jaws' as const, round: [part.id] }] : [],
      ),
    ],
    minutes: 0.5,
  })
}

export const clamp = clampOf({
  key: 'clamp',
  device: 'clamp',
  title: 'instruments.clamp.title',
  about: 'instruments.clamp.about',
  settings: [
    {
      key: 'zero',
      label: 'instruments.clamp.beforeClamping',
      options: [
        { key: 'zeroed', label: 'instruments.clamp.zeroed' },
        { key: 'not', label: 'instruments.clamp.notZeroed' },
      ],
      preset: 'zeroed',
    },
  ],
  type: dcClamp,
})

export const clampAC = clampOf({
  key: 'clampAC',
  device: 'clamp',
  title: 'instruments.clamp.clampForAcOnly',
  about: 'instruments.clamp.aTransformerDirectCurrentGives',
  settings: [],
  type: acClamp,
})
