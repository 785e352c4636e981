import type { Draw } from './draw'
import { drillKeys, type DrillKey } from './registry'

/** One item that was answered. */
export interface Answered {
  readonly kind: DrillKey
  /** Logits. */
  readonly difficulty: number
  /** 0 to 1. */
  readonly share: number
  /** Milliseconds since 1970. */
  readonly at: number
}

/** What is known of one skill of somebody who drills. */
export interface DrillLevel {
  readonly kind: DrillKey
  /** Logits, on the scale of the items' difficulty; and its standard deviation. */
  readonly ability: number
  readonly spread: number
  /** Chance that an item of difficulty 0 is answered right, 0 to 1. */
  readonly level: number
  readonly answers: number
  /** It was missed and is to come again, since this moment; null where nothing waits. */
  readonly due: number | null
}

const nodes = 41
const farthest = 4
/** Of people before anything is known of them, logits (common practice, no source). */
const usualSpread = 1.2
/** Days after which an answer counts half (common practice, no source). */
const halfLife = 30
const day = 86_400_000
/** Days after which what was missed comes again, longer each time that it was right (spacing; common practice, no source). */
const spacing = [0, 1, 3, 7] as const

/** The ability behind some answers, by a one-parameter logistic model (Rasch 1960) on a grid, with a normal prior. */
function abilityOf(answers: readonly Answered[], now: number): { ability: number; spread: number } {
  let [sum, mean, square] = [0, 0, 0]
  for (let q = 0; q < nodes; q++) {
    const x = farthest * ((2 * q) / (nodes - 1) - 1)
    let log = -0.5 * (x / usualSpread) ** 2
    for (const { difficulty, share, at } of answers) {
      const counts = 2 ** (-(now - at) / day / halfLife)
      const p = 1 / (1 + Math.exp(difficulty - x))
      log += counts * (share * Math.log(p) + (1 - share) * Math.log(1 - p))
    }
    const weight = Math.exp(log)
    sum += weight
    mean += weight * x
    square += weight * x * x
  }
  mean /= sum
  return { ability: mean, spread: Math.sqrt(Math.max(0, square / sum - mean * mean)) }
}

/** When something that was missed is to come again; null where it was right often enough since. */
function dueOf(answers: readonly Answered[]): number | null {
  const missed = answers.findLastIndex(({ share }) => share < 1)
  if (missed < 0) return null
  const since = answers.slice(missed + 1).length
  const days = spacing[since]
  return days === undefined ? null : answers.at(-1)!.at + days * day
}

/**
 * What is known of every kind of question.
 * @param answers of one person, the oldest first
 * @param now milliseconds since 1970
 */
export function drillLevels(answers: readonly Answered[], now: number): DrillLevel[] {
  return drillKeys.map((kind) => {
    const own = answers.filter((one) => one.kind === kind)
    const { ability, spread } = abilityOf(own, now)
    return {
      kind,
      ability,
      spread,
      level: 1 / (1 + Math.exp(-ability)),
      answers: own.length,
      due: dueOf(own),
    }
  })
}

/** Logits below the ability at which somebody is right three times in four: ln 3. */
const rightThreeInFour = Math.log(3)
/** Items between a miss and another of its kind. */
const pause = 2

/**
 * What to ask next: what was missed and is due, after something else; otherwise the skill that is least certain or weakest,
 * by chance among those that come near; at a difficulty at which somebody is right about three times in four.
 * @param last kinds of the last items, the newest last
 * @param now milliseconds since 1970
 */
export function nextDrill(
  levels: readonly DrillLevel[],
  last: readonly DrillKey[],
  now: number,
  draw: Draw,
  among: readonly DrillKey[] = drillKeys,
): { readonly kind: DrillKey; readonly difficulty: number } {
  const recent = last.slice(-pause)
  const open = levels.filter(({ kind }) => among.includes(kind))
  const fresh = open.filter(({ kind }) => !recent.includes(kind))
  const choices = fresh.length ? fresh : open
  const due = choices.filter((one) => one.due !== null && one.due <= now)
  const urgency = ({ ability, spread }: DrillLevel) => 1.5 * spread - ability
  const ranked = [...(due.length ? due : choices)].sort((p, q) => urgency(q) - urgency(p))
  const chosen = draw.one(ranked.slice(0, 3))!
  return { kind: chosen.kind, difficulty: chosen.ability - rightThreeInFour }
}
