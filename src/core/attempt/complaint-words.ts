import { partOf } from '../model'
import type { Circuit } from '../circuit'
import { type Message, say, within, messageOf } from '../document'
import { noticeText, partOfKind, positionName } from '../parts'
import type { Frame } from './order'

/**
 * The complaint as a driver would put it: what was switched on, and what the loads then did. It names what the driver uses, and
 * never what is inside: no fuse, relay or joint, unless nothing else shows.
 * @returns undefined where nothing shows
 */
export function complaintWords(circuit: Circuit, complaint: Frame['complaint']): Message | undefined {
  const [first] = complaint
  if (!first) return undefined
  const part = (id: string) => partOf(circuit, id)
  const called = (id: string) => {
    const { name, kind } = part(id)
    return name || within(partOfKind(kind).title)
  }
  const isLoad = (id: string) => partOfKind(part(id).kind).role === 'load'
  const seen = complaint.some(({ part: id }) => isLoad(id))
    ? complaint.filter((c) => isLoad(c.part))
    : complaint
  const noticed = seen
    .slice(0, 3)
    .map(({ part: id, notice }) =>
      say('attempt.does', { what: called(id), notice: messageOf(noticeText(part(id).kind, notice)) }),
    )
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
  return set.length ? say('attempt.complains', { set, noticed }) : say('attempt.complainsAtRest', { noticed })
}
