import { partOf } from '../model'
import type { Circuit } from '../circuit'
import { type Code, type Message, say, within, messageOf } from '../document'
import { noticeText, partOfKind, positionName } from '../parts'
import { isShaken } from './movement'
import type { Claim } from './order'
import { flatKey } from './standing'

/** Hours above which a driver counts days. */
const days = 48

/** What a driver says in a sentence of what stands as a word beside a part; what is a verb already is said as it is. */
const told: Readonly<Partial<Record<Code, Code>>> = {
  'parts.dim': 'attempt.driver.dim',
  'parts.bright': 'attempt.driver.bright',
  'parts.dark': 'attempt.driver.dark',
  'parts.silent': 'attempt.driver.silent',
  'parts.lamp.tooBrightOverItsVolts': 'attempt.driver.tooBright',
  'parts.coilLoad.silent': 'attempt.driver.hornSilent',
  'parts.coilLoad.faint': 'attempt.driver.faint',
  'parts.breaker.closed': 'attempt.driver.closed',
  'parts.breaker.tripped': 'attempt.driver.tripped',
  'parts.breaker.cyclesTicksOffAndOn': 'attempt.driver.cycles',
  'parts.heater.lukewarm': 'attempt.driver.lukewarm',
  'parts.motor.standsStillSilent': 'attempt.driver.still',
  'parts.motor.standsStillHumsAndGets': 'attempt.driver.hums',
  'parts.resistor.cool': 'attempt.driver.cool',
  'parts.resistor.hot': 'attempt.driver.hot',
  'parts.resistor.smokesOverItsWatts': 'attempt.driver.smokes',
  'parts.starter.chattersClicksFastAndOver': 'attempt.driver.chatters',
  'parts.starter.oneClickDoesNotTurn': 'attempt.driver.oneClick',
  'parts.alternator.turnsDoesNotCharge': 'attempt.driver.noCharge',
}
const driverWords = (circuit: Circuit, claim: Claim): Message => {
  const text = claimText(circuit, claim)
  const code = told[text.code as Code]
  return code ? say(code) : text
}

/** What one fact of a complaint says of its part. */
export const claimText = (circuit: Circuit, { part, notice, hours }: Claim): Message =>
  hours === undefined
    ? messageOf(noticeText(partOf(circuit, part).kind, notice))
    : hours < days
      ? say('attempt.flatAfterHours', { hours: { value: hours, unit: 'h' } })
      : say('attempt.flatAfterDays', { days: Math.round(hours / 24) })

/**
 * The complaint as a driver would put it: what was switched on, and what the loads then did. It names what the driver uses, and
 * never what is inside: no fuse, relay or joint, unless nothing else shows.
 * @returns undefined where nothing shows
 */
export function complaintWords(circuit: Circuit, complaint: readonly Claim[]): Message | undefined {
  const [first] = complaint
  if (!first) return undefined
  const part = (id: string) => partOf(circuit, id)
  const called = (id: string) => {
    const { name, kind } = part(id)
    return name || within(partOfKind(kind).title)
  }
  const isLoad = (id: string) => partOfKind(part(id).kind).role === 'load'
  const isNamed = ({ part: id, notice }: Claim) => isLoad(id) || notice === flatKey
  const seen = complaint.some(isNamed) ? complaint.filter(isNamed) : complaint
  const noticed = seen
    .slice(0, 3)
    .map((claim) => say('attempt.does', { what: called(claim.part), notice: driverWords(circuit, claim) }))
  const { controls, engine } = first.arrangement
  const set = Object.entries(controls)
    .filter(([id, position]) => position !== partOfKind(part(id).kind).positions?.[0])
    .map(([id, position]) =>
      say('attempt.setTo', {
        what: called(id),
        position: messageOf(positionName(partOfKind(part(id).kind), position)),
      }),
    )
  if (engine === 'running') set.push(say('attempt.engineRuns'))
  if (first.notice === flatKey) return say('attempt.complainsLeft', { noticed })
  if (isShaken(circuit, first.arrangement))
    return set.length
      ? say('attempt.complainsOnTheRoad', { set, noticed })
      : say('attempt.complainsOnTheRoadAtRest', { noticed })
  return set.length ? say('attempt.complains', { set, noticed }) : say('attempt.complainsAtRest', { noticed })
}
