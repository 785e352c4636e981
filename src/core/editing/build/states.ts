import { say } from '../../document'
import type { Circuit, CircuitState } from '../../circuit'
import { refuse, type Built } from './arrangement'

const done = (circuit: Circuit, states: CircuitState[]): Built => ({
  ok: true,
  circuit: { ...circuit, states },
  touched: [],
})

/** Keeps a state under a name: a new one, or in the place of the one that has this name. */
export function keepState(
  circuit: Circuit,
  state: CircuitState,
  name: string,
): Built & { readonly id?: string } {
  const known = circuit.states.find((s) => s.name === name)
  const used = new Set(circuit.states.map((s) => s.id))
  let id =
    known?.id ??
    (name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 30) ||
      'state')
  if (!known) for (let n = 2; used.has(id); n++) id = `${id.replace(/-\d+$/, '')}-${n}`
  // What it was entered from must stand before it: a new one comes last, one that is kept again stays in its place.
  const kept: CircuitState = {
    ...withoutAfter(state),
    id,
    name,
    ...(known?.after !== undefined && { after: known.after }),
  }
  const states = known ? circuit.states.map((s) => (s === known ? kept : s)) : [...circuit.states, kept]
  return { ...done(circuit, states), id }
}

/** Names a state. */
export function renameState(circuit: Circuit, id: string, name: string): Built {
  if (circuit.states.some((s) => s.name === name && s.id !== id))
    return refuse(name, say('circuit.stateThere', { name }))
  return done(
    circuit,
    circuit.states.map((s) => (s.id === id ? { ...s, name } : s)),
  )
}

/** Takes a state out; the last one stays. */
export function removeState(circuit: Circuit, id: string): Built {
  if (circuit.states.length < 2) return refuse(id, say('circuit.lastState'))
  const states = circuit.states.filter((s) => s.id !== id).map((s) => (s.after === id ? withoutAfter(s) : s))
  return done(circuit, states)
}

function withoutAfter(state: CircuitState): CircuitState {
  const rest = { ...state }
  delete rest.after
  return rest
}
