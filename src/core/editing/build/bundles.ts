import { say } from '../../document'
import { partOfKind } from '../../parts'
import type { Circuit } from '../../circuit'
import { refuse, type Built } from './arrangement'

/** A new measuring place along a bundle that the given wires run through; a new bundle where none is named. */
export function addPlace(
  circuit: Circuit,
  wires: readonly string[],
  bundle?: string,
): Built & { place?: string } {
  const conductors = wires.filter((id) => {
    const kind = circuit.parts.find((p) => p.id === id)?.kind
    return kind !== undefined && partOfKind(kind).role === 'conductor'
  })
  if (!conductors.length) return refuse('bundle', say('circuit.chooseWires'))
  const known = circuit.bundles.find((b) => b.id === bundle)
  const used = new Set(circuit.bundles.flatMap((b) => b.places.map((p) => p.id)))
  let number = circuit.bundles.length + (known ? 0 : 1)
  const own = known && /^H(\d+)/.exec(known.places[0]!.id)?.[1]
  if (own) number = Number(own)
  else while (used.has(`H${number}a`)) number++
  const letter = 'abcdefghijklmnopqrstuvwxyz'.split('').find((l) => !used.has(`H${number}${l}`))
  if (!letter) return refuse('bundle', say('circuit.mostPlaces'))
  const place = {
    id: `H${number}${letter}`,
    name: '',
    conductors: conductors.map((part) => ({ part, at: 0.5, against: false })),
  }
  const bundles = known
    ? circuit.bundles.map((b) => (b === known ? { ...b, places: [...b.places, place] } : b))
    : [...circuit.bundles, { id: `bundle-${number}`, name: '', places: [place] }]
  return { ok: true, circuit: { ...circuit, bundles }, touched: [], place: place.id }
}

/** Lets a wire run through a place, or past it; its place along the wire, and its way, can be said. */
export function setConductor(
  circuit: Circuit,
  place: string,
  wire: string,
  how: { readonly at?: number; readonly against?: boolean } | null,
): Built {
  const bundles = circuit.bundles
    .map((bundle) => ({
      ...bundle,
      places: bundle.places
        .map((p) => {
          if (p.id !== place) return p
          const others = p.conductors.filter((c) => c.part !== wire)
          const own = p.conductors.find((c) => c.part === wire) ?? { part: wire, at: 0.5, against: false }
          return { ...p, conductors: how ? [...others, { ...own, ...how }] : others }
        })
        .filter((p) => p.conductors.length),
    }))
    .filter((b) => b.places.length)
  return { ok: true, circuit: { ...circuit, bundles }, touched: [] }
}

/** Names a place of a loom. */
export function namePlace(circuit: Circuit, place: string, name: string): Built {
  const bundles = circuit.bundles.map((b) => ({
    ...b,
    places: b.places.map((p) => (p.id === place ? { ...p, name } : p)),
  }))
  return { ok: true, circuit: { ...circuit, bundles }, touched: [] }
}

/** Takes a place of a loom out; its wires stay. */
export function removePlace(circuit: Circuit, place: string): Built {
  const bundles = circuit.bundles
    .map((b) => ({ ...b, places: b.places.filter((p) => p.id !== place) }))
    .filter((b) => b.places.length)
  return { ok: true, circuit: { ...circuit, bundles }, touched: [] }
}
