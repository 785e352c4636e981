import { shownOf, type Connection, type StepOf } from '../attempt'
import { findPart } from '../model'
import { type Message, say, messageOf } from '../document'
import { noticeText, partOfKind } from '../parts'
import type { Circuit } from '../circuit'

/** What an instrument was held to, in a few words. */
export function heldIn(held: Connection['held']): Message {
  switch (held.type) {
    case 'leads':
      return say('assessment.leads', { red: held.red, black: held.black })
    case 'jaws':
      return say('assessment.at', { place: held.round })
    case 'series':
    case 'inPlaceOf':
    case 'spots':
    case 'at':
      return say('assessment.at', { place: held.part })
    case 'hand':
      return say(held.spare ? 'assessment.spare' : 'assessment.hand', { red: held.red, black: held.black })
    case 'posts':
      return say('assessment.at', { place: '±' })
  }
}

/** A reading by its number: “reading 2 (12.3 V, L1a to B1−)”. */
export const readingName = (number: number, step: StepOf<'test'>): Message =>
  say('assessment.reading', {
    number: { shown: String(number) },
    text: shownOf(step.reading),
    held: heldIn(step.held),
  })

/** What was seen on each part. */
export function seenName(circuit: Circuit, step: StepOf<'operate'>): Message {
  const notices = Object.entries(step.seen).map(([id, key]) => {
    const kind = findPart(circuit, id)?.kind
    const notice = kind && partOfKind(kind).notice ? messageOf(noticeText(kind, key)) : key
    return say('assessment.notice', { part: id, notice })
  })
  return say('assessment.seen', { notices })
}
