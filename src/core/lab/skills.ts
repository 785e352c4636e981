import { findPart } from '../model'
import type { JudgedAttempt } from '../assessment'
import type { Circuit } from '../circuit'
import { families, faultOfKind, type Family, type Fault } from '../faults'
import { partOfKind } from '../parts'

/** What a technician can do, in the words of a report. */
export const skills = {
  drops: 'lab.skills.voltsDrop',
  opens: 'lab.skills.opens',
  shorts: 'lab.skills.shorts',
  drains: 'lab.skills.drains',
  relays: 'lab.skills.relaysAndSwitches',
  starting: 'lab.skills.starting',
  charging: 'lab.skills.charging',
  modules: 'lab.skills.modulesAndSensors',
  grounds: 'lab.skills.grounds',
  loads: 'lab.skills.loads',
  meter: 'lab.skills.meterHandling',
  prediction: 'lab.skills.prediction',
  inference: 'lab.skills.inference',
  proof: 'lab.skills.verificationAndProof',
  safety: 'lab.skills.safety',
} as const
export type Skill = keyof typeof skills
export const skillKeys = Object.keys(skills) as Skill[]

/** What one attempt says of one skill: how well it was done, and how much that counts. */
export interface Evidence {
  readonly skill: Skill
  /** 0 to 1. */
  readonly share: number
  readonly weight: number
  /** Days since then. */
  readonly age: number
}

/** What is known of a skill. */
export interface Level {
  /** Mean of the belief, 0 to 1. */
  readonly level: number
  /** Its standard deviation. */
  readonly spread: number
  /** Attempts' worth of evidence that is left, old ones counted less. */
  readonly evidence: number
  /** Too little to say anything. */
  readonly thin: boolean
}

/** Days after which evidence counts half (common practice, no source). */
export const halfLife = 60
/** Less evidence than this says nothing. */
const enough = 1.5

/**
 * A Beta distribution begun at Beta(1, 1), that is knowing nothing: α = 1 + Σ w·s·2^(−age/60 d), β = 1 + Σ w·(1 − s)·2^(−age/60 d),
 * of which level = α/(α + β) and spread² = αβ / ((α + β)²(α + β + 1)). Beta–binomial model with fractional counts (Gelman and
 * others, Bayesian Data Analysis, chapter 2; from memory); that old evidence fades is common practice, no source.
 */
export function levelOf(evidence: readonly Evidence[]): Level {
  let [alpha, beta, left] = [1, 1, 0]
  for (const { share, weight, age } of evidence) {
    const counts = weight * 2 ** (-Math.max(0, age) / halfLife)
    alpha += counts * share
    beta += counts * (1 - share)
    left += counts
  }
  const sum = alpha + beta
  return {
    level: alpha / sum,
    spread: Math.sqrt((alpha * beta) / (sum * sum * (sum + 1))),
    evidence: left,
    thin: left < enough,
  }
}

/** The skill that a family of faults asks for, whatever part it strikes. */
const skillOf = (family: Family): Skill | undefined => {
  const about: { readonly title: string; readonly skill?: Skill } = families[family]
  return about.skill
}
const familyKeys = Object.keys(families) as Family[]

/** Families that ask for skills, in the order in which those are needed. */
export const familiesFor = (needed: readonly string[]): Family[] =>
  needed.flatMap((skill) => familyKeys.filter((family) => skillOf(family) === skill))

/**
 * What a group needs first: the skills of its people, each person's first before anybody's second. Who has shown nothing yet
 * asks for nothing.
 */
export function needsOf(next: readonly (readonly string[])[]): Family[] {
  const most = Math.max(0, ...next.map((own) => own.length))
  const skills = Array.from({ length: most }, (_, i) => next.flatMap((own) => own.slice(i, i + 1))).flat()
  return [...new Set(familiesFor(skills))]
}

/** What a planted fault is about: its family, and the part that it strikes. */
export function topicsOf(circuit: Circuit, planted: readonly Fault[]): Skill[] {
  const topics = new Set<Skill>()
  for (const fault of planted) {
    const { family } = faultOfKind(fault.kind)
    const topic = skillOf(family)
    if (topic) topics.add(topic)
    const part = findPart(circuit, fault.part)
    if (!part) continue
    const { topic: own } = partOfKind(part.kind)
    if (own) topics.add(own)
  }
  return [...topics]
}

/**
 * What an attempt says: of each way of working by its judgements, of what it was about by where it ended.
 * @param age days since the attempt ended
 */
export function evidenceOf(
  circuit: Circuit,
  planted: readonly Fault[],
  judged: Pick<JudgedAttempt, 'judgements'>,
  age: number,
): Evidence[] {
  const found: Evidence[] = []
  const mean = (aspects: readonly string[]): number | undefined => {
    let [sum, whole] = [0, 0]
    for (const { aspect, share, weight = 1 } of judged.judgements) {
      if (share === undefined || !aspects.includes(aspect)) continue
      sum += weight * share
      whole += weight
    }
    return whole > 0 ? sum / whole : undefined
  }
  const add = (skill: Skill, share: number | undefined, weight = 1) => {
    if (share !== undefined) found.push({ skill, share: Math.min(1, Math.max(0, share)), weight, age })
  }
  add('meter', mean(['technique']) ?? (judged.judgements.length ? 1 : undefined))
  add('prediction', mean(['prediction']))
  add('inference', mean(['inference']))
  add('proof', mean(['verification', 'repair']))
  add('safety', judged.judgements.some(({ aspect }) => aspect === 'safety') ? 0 : 1)
  // Who ended right by a guess has shown less than who proved it.
  const ended = mean(['conclusion']) ?? 0
  const way = mean(['inference']) ?? ended
  for (const topic of topicsOf(circuit, planted)) add(topic, 0.7 * ended + 0.3 * way)
  return found
}

/** Every skill of one person. */
export function levelsOf(evidence: readonly Evidence[]): Record<Skill, Level> {
  const of = (skill: Skill) => levelOf(evidence.filter((one) => one.skill === skill))
  return Object.fromEntries(skillKeys.map((skill) => [skill, of(skill)])) as Record<Skill, Level>
}

/** What to meet next: the topic that is known least well, what nobody has seen yet first. */
export function nextOf(levels: Readonly<Record<Skill, Level>>): Skill[] {
  const topics = skillKeys.slice(0, skillKeys.indexOf('meter'))
  return [...topics].sort((a, b) => levels[a].level - levels[a].spread - (levels[b].level - levels[b].spread))
}

/** Level and certainty from which somebody is ready to work alone (common practice, no source). */
export const ready = ({ level, spread, thin }: Level): boolean => !thin && level - spread >= 0.6

/** How often people said how sure they were, and how often they were right, in steps of twenty. */
export function reliability(
  said: readonly { readonly sure: number; readonly right: boolean; readonly count: number }[],
): {
  readonly from: number
  readonly to: number
  readonly sure: number
  readonly right: number
  readonly count: number
}[] {
  return [0, 20, 40, 60, 80].flatMap((from) => {
    const own = said.filter(({ sure }) => sure >= from && (sure < from + 20 || (from === 80 && sure === 100)))
    const sum = (of: (one: (typeof own)[number]) => number) => own.reduce((all, one) => all + of(one), 0)
    const count = sum((one) => one.count)
    if (!count) return []
    return [
      {
        from,
        to: from + 20,
        sure: sum((one) => one.sure * one.count) / count,
        right: (100 * sum((one) => (one.right ? one.count : 0))) / count,
        count,
      },
    ]
  })
}
