import { partOf } from '../model'
import type { Circuit } from '../circuit'
import type { Message } from '../document'
import { noticeText, partOfKind } from '../parts'
import type { Frame } from './order'
import { say } from './phrases'

/**
 * The complaint as a driver would put it: what was switched on, and what the loads then did. It names what the driver uses, and
 * never what is inside: no fuse, relay or joint, unless nothing else shows.
 * @returns undefined where nothing shows
 */
export function complaintWords(circuit: Circuit, complaint: Frame['complaint']): Message | undefined {
  const [first] = complaint
  if (!first) return undefined
  const part = (id: string) => partOf(circuit, id)
  const called = (id: string) => part(id).name || partOfKind(part(id).kind).title.toLowerCase()
  const isLoad = (id: string) => partOfKind(part(id).kind).role === 'load'
  const seen = complaint.some(({ part: id }) => isLoad(id))
    ? complaint.filter((c) => isLoad(c.part))
    : complaint
  const noticed = seen
    .slice(0, 3)
    .map(({ part: id, notice }) =>
      say('does', { what: called(id), notice: noticeText(part(id).kind, notice) }),
    )
  const { controls, engine } = first.arrangement
  const set = Object.entries(controls)
    .filter(([id, position]) => position !== partOfKind(part(id).kind).positions?.[0])
    .map(([id, position]) => say('setTo', { what: called(id), position }))
  if (engine === 'running') set.push(say('engineRuns'))
  return set.length ? say('complains', { set, noticed }) : say('complainsAtRest', { noticed })
}
