import { say, type Code, type Message } from '../../../document'
import { readOhms } from '../../../instruments'
import type { CircuitState } from '../../../circuit'
import { defineDrill } from '../kind'
import type { DrillBench } from '../bench'
import type { Draw } from '../draw'
import type { Item, Option } from '../item'
import { minusOf, plusOf, reachable } from '../points'

const meanings = ['loaded', 'idle', 'ghost', 'live'] as const
type Meaning = (typeof meanings)[number]
const words: Readonly<Record<Meaning, { says: Code; why: Code }>> = {
  loaded: { says: 'learning.drills.meaning.loaded', why: 'learning.drills.meaning.loadedWhy' },
  idle: { says: 'learning.drills.meaning.idle', why: 'learning.drills.meaning.idleWhy' },
  ghost: { says: 'learning.drills.meaning.ghost', why: 'learning.drills.meaning.ghostWhy' },
  live: { says: 'learning.drills.meaning.live', why: 'learning.drills.meaning.liveWhy' },
}
/** The wrong idea of whoever takes one for another. */
const mistaken: Partial<Record<Meaning, Partial<Record<Meaning, Option['misbelief']>>>> = {
  idle: { loaded: 'voltsMeanFeed' },
  ghost: { loaded: 'displayIsReal' },
  live: { loaded: 'ohmsOnLive' },
}

interface Shown {
  readonly state: CircuitState
  readonly leads: readonly [string, string]
  readonly reading: Message
}

/** Looks for a reading of one meaning; undefined where this draw finds none. */
function shownAs(meaning: Meaning, bench: DrillBench, draw: Draw): Shown | undefined {
  const walk = draw.one(bench.walks)
  if (!walk) return undefined
  const running = bench.running(walk)
  const plain = draw.one(
    meaning === 'idle' ? bench.states.filter((state) => !running.includes(state)) : running,
  )
  if (!plain) return undefined
  const state: CircuitState =
    meaning === 'ghost'
      ? { ...plain, detached: [...plain.detached, ...drawOut(bench, walk.strides, draw)] }
      : plain
  const board = bench.board(state)
  if (!board) return undefined
  const [red, black] = [draw.one(reachable(walk))!, minusOf(walk)]
  if (red.node === black.node) return undefined
  const source = Math.abs(board.volts(plusOf(walk).node, black.node) ?? 0)
  const name = { red: red.name, black: black.name, state: state.name }
  if (meaning === 'live') {
    const { text, live } = readOhms(board, red.node, black.node, bench.meter)
    if (!live) return undefined
    return {
      state,
      leads: [red.name, black.name],
      reading: say('learning.drills.meaning.ohms', { ...name, value: { shown: text } }),
    }
  }
  const { value = 0, text, floating } = bench.volts(board, red, black)
  const flows = bench.flows(board, walk)
  const fits =
    meaning === 'ghost'
      ? floating
      : !floating &&
        value > 0.7 * source &&
        (meaning === 'loaded' ? flows : !flows && board.board.model !== undefined)
  if (!fits) return undefined
  return {
    state,
    leads: [red.name, black.name],
    reading: say(
      meaning === 'ghost' ? 'learning.drills.meaning.unplugged' : 'learning.drills.meaning.volts',
      {
        ...name,
        value: { shown: text },
        ...(meaning === 'ghost' && { out: [...state.detached] }),
      },
    ),
  }
}

/** A part of the way that can be taken out, so that what lies behind it hangs on nothing. */
function drawOut(bench: DrillBench, strides: DrillBench['walks'][number]['strides'], draw: Draw): string[] {
  const out = strides
    .map(({ part }) => part)
    .filter((id) => bench.predictor.circuit.states.some((s) => s.detached.includes(id)))
  return [...new Set([draw.one(out), draw.one(out)].flatMap((id) => id ?? []))]
}

export const meaning = defineDrill({
  key: 'meaning',
  title: 'learning.drills.meaning.title',
  skill: 'meter',
  make: (bench, draw): Omit<Item, 'kind'> | undefined => {
    const is = draw.one(meanings)!
    const shown = shownAs(is, bench, draw)
    if (!shown) return undefined
    return {
      state: shown.state.id,
      detached: shown.state.detached,
      leads: shown.leads,
      given: [shown.reading],
      asks: say('learning.drills.meaning.asks'),
      answer: {
        type: 'choice',
        options: meanings.map((other) => ({
          says: say(words[other].says),
          right: other === is,
          why: say(words[is].why),
          ...(mistaken[is]?.[other] && { misbelief: mistaken[is][other] }),
        })),
      },
      why: say(words[is].why),
      difficulty: { loaded: -0.6, idle: 0.3, ghost: 0.5, live: 0 }[is],
    }
  },
})
