import { findPart } from '../model'
import type { Message } from '../document'
import { noticeText, partOfKind } from '../parts'
import type { Circuit } from '../circuit'
import type { Connection, StepOf } from '../attempt'
import { say } from './phrases'

/** What an instrument was held to, in a few words. */
export function heldIn(held: Connection['held']): Message {
  switch (held.type) {
    case 'leads':
      return say('leads', { red: held.red, black: held.black })
    case 'jaws':
      return say('at', { place: held.round })
    case 'series':
    case 'inPlaceOf':
    case 'spots':
    case 'at':
      return say('at', { place: held.part })
    case 'posts':
      return say('at', { place: '±' })
  }
}

/** A reading by its number: “reading 2 (12.3 V, L1a to B1−)”. */
export const readingName = (number: number, step: StepOf<'test'>): Message =>
  say('reading', {
    number: String(number),
    text: step.reading.text || (step.reading.word ?? ''),
    held: heldIn(step.held),
  })

/** What was seen on each part. */
export function seenName(circuit: Circuit, step: StepOf<'operate'>): Message {
  const notices = Object.entries(step.seen).map(([id, key]) => {
    const kind = findPart(circuit, id)?.kind
    return `${id} ${kind && partOfKind(kind).notice ? noticeText(kind, key) : key}`
  })
  return say('seen', { notices })
}
