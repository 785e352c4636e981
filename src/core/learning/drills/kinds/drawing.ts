import { noticeAll, segmentAmps, type SolvedBoard } from '../../../board'
import { say, verbatim, type Message } from '../../../document'
import { faultsOf, type Fault } from '../../../faults'
import { partOfKind } from '../../../parts'
import { defineDrill } from '../kind'
import type { DrillBench } from '../bench'
import type { Draw } from '../draw'
import type { Answer, Item } from '../item'
import { drawRunning } from '../points'

/** A below which a part carries nothing. */
const nothing = 0.005

/** One right piece among wrong ones, each with why it is. */
const choiceOf = (
  draw: Draw,
  right: string,
  wrong: readonly string[],
  why: (part: string) => Message,
): Answer => ({
  type: 'choice',
  options: draw.shuffled([
    { says: verbatim(right), right: true },
    ...wrong.map((piece) => ({
      says: verbatim(piece),
      right: false,
      why: why(piece),
    })),
  ]),
})

/** What the current of a load passes. */
function passes(bench: DrillBench, draw: Draw): Omit<Item, 'kind'> | undefined {
  const drawn = drawRunning(bench, draw)
  if (!drawn) return undefined
  const { walk, state } = drawn
  const board = bench.board(state)!
  const most = (part: string) =>
    Math.max(
      ...partOfKind(bench.circuit.parts.find(({ id }) => id === part)!.kind).segments.map(({ key }) =>
        Math.abs(segmentAmps(board.board, board.point, part, key)),
      ),
    )
  const on = [...new Set(walk.strides.map(({ part }) => part))].filter(
    (part) => part !== walk.load && !/^B|^ST/.test(part) && most(part) > 0.02,
  )
  const off = bench.circuit.parts
    .map(({ id }) => id)
    .filter((id) => !walk.strides.some(({ part }) => part === id) && most(id) < nothing)
  const right = draw.one(on)
  const wrong = draw.shuffled(off).slice(0, 3)
  if (right === undefined || wrong.length < 2) return undefined
  return {
    state: state.id,
    detached: state.detached,
    given: [],
    asks: say('learning.drills.drawing.passes', { load: walk.load!, state: state.name }),
    answer: choiceOf(draw, right, wrong, (part) => say('learning.drills.drawing.carriesNothing', { part })),
    why: say('learning.drills.drawing.way', { parts: on }),
    difficulty: -0.9,
  }
}

/** What else stops working if a fuse blows. */
function goesDead(bench: DrillBench, draw: Draw): Omit<Item, 'kind'> | undefined {
  const { circuit } = bench
  const fuse = draw.one(circuit.parts.filter(({ kind }) => partOfKind(kind).role === 'protection'))
  const state = draw.one(bench.states)
  if (!fuse || !state) return undefined
  const definition = partOfKind(fuse.kind)
  const segment = definition.segments.find((one) => faultsOf(definition, one).includes('blown'))
  if (!segment) return undefined
  const good = bench.board(state)
  if (!good) return undefined
  const before = new Map(noticeAll(good).map(({ part, key }) => [part, key]))
  const compare = (bad: SolvedBoard | undefined) => {
    const now = (bad ? noticeAll(bad) : []).filter(({ part }) => part !== fuse.id)
    const isSame = ({ part, key }: (typeof now)[number]) => before.get(part) === key
    return {
      changed: now.filter((one) => !isSame(one)).map(({ part }) => part),
      same: now.filter(isSame).map(({ part }) => part),
    }
  }
  const blown: Fault = { kind: 'blown', part: fuse.id, segment: segment.key }
  // Most draws fail at a first look; what it cost to be used in all its states before is asked of what is left.
  const seen = compare(bench.glance(state, blown))
  if (!seen.changed.length || seen.same.length < 2) return undefined
  const { changed, same } = compare(bench.board(state, [blown]))
  const right = draw.one(changed)
  const wrong = draw.shuffled(same).slice(0, 3)
  if (right === undefined || wrong.length < 2) return undefined
  return {
    state: state.id,
    detached: state.detached,
    given: [],
    asks: say('learning.drills.drawing.blows', { fuse: fuse.id, state: state.name }),
    answer: choiceOf(draw, right, wrong, (part) =>
      say('learning.drills.drawing.unchanged', { part, fuse: fuse.id }),
    ),
    why: say('learning.drills.drawing.dead', { fuse: fuse.id, parts: changed }),
    difficulty: -0.3,
  }
}

export const drawing = defineDrill({
  key: 'drawing',
  title: 'learning.drills.drawing.title',
  skill: 'relays',
  make: (bench, draw) =>
    draw.next() < 0.5 ? passes(bench, draw) : (goesDead(bench, draw) ?? passes(bench, draw)),
})
