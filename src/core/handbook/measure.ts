import type { DropRow } from '../readings'
import { say, messageOf } from '../document'
import type { Shown } from './procedure'
import type { Side, WorkedCircuit } from './worked-circuit'

/** What is read again and again in procedures; each gives what is expected at one place. */
export const source = (worked: WorkedCircuit): Shown => {
  const [plus, minus] = worked.posts
  return { what: say('handbook.atSource'), value: worked.volts(plus, minus), unit: 'V' }
}

export const available = (worked: WorkedCircuit): Shown => {
  const [feed, back] = worked.loadNodes
  return {
    what: say('handbook.atLoad', { part: worked.load }),
    value: worked.volts(feed, back),
    unit: 'V',
    part: worked.load,
  }
}

export const sideLoss = (worked: WorkedCircuit, side: Side): Shown => ({
  what: say(side === 'feed' ? 'handbook.feedLoss' : 'handbook.returnLoss', { part: worked.load }),
  value: worked.lost(side),
  unit: 'V',
})

export const across = (row: DropRow): Shown => ({
  what: say('handbook.piece', { from: row.from, to: row.to, name: messageOf(row.name) }),
  value: row.value,
  unit: 'V',
  part: row.part,
})

/** Every piece of a side, in the order in which it is walked. */
export const piecesOf = (worked: WorkedCircuit, side: Side): Shown[] => worked.pieces(side).map(across)

/** Along a side, what is lost up to each point: the black lead stays on the post, the red one wanders. */
export function outward(worked: WorkedCircuit, side: Side): Shown[] {
  let total: number | undefined = 0
  const rows = worked.pieces(side)
  const way = side === 'feed' ? rows : [...rows].reverse()
  return way.map((row) => {
    total = total === undefined || row.value === undefined ? undefined : total + row.value
    const what =
      side === 'feed'
        ? say('handbook.upTo', { point: row.to })
        : say('handbook.backFrom', { point: row.from })
    return { what, value: total, unit: 'V', part: row.part }
  })
}

export const does = (worked: WorkedCircuit, part = worked.load): Shown => {
  const found = worked.readings()?.notices.find((n) => n.part === part)
  return {
    what: say('handbook.does', { part }),
    unit: 'V',
    part,
    word: say('handbook.glow', { glow: found ? messageOf(found.text) : '–' }),
  }
}

export const glows = (what: Shown['what'], glow: string, part?: string): Shown => ({
  what,
  unit: 'V',
  word: say('handbook.glow', { glow }),
  ...(part !== undefined && { part }),
})

export const isLit = (shown: Shown | undefined): boolean =>
  typeof shown?.word?.params?.glow === 'string' && !['dark', 'out', '–'].includes(shown.word.params.glow)

/** Ohms and beep of a piece with nothing else connected. */
export const alone = (worked: WorkedCircuit, part: string): Shown[] =>
  worked.isolated(part).flatMap((row) => [
    {
      what: say('handbook.ohmsOf', { what: row.between }),
      value: row.ohms.value,
      unit: 'Ω' as const,
      part,
    },
  ])

export const big = (shown: Shown | undefined, from: number): boolean => Math.abs(shown?.value ?? 0) > from
