import { findPart, findPieces } from '../../core/model'
import { formatQuantity, localNumbers, quoted, t, tell, within } from '../words'
import { pieceWords } from './pieceWords'
import { type Circuit } from '../../core/circuit'
import {
  type Arrangement,
  type Connection,
  type Prediction,
  type Step,
  type StepOf,
  type StoredReading,
  repairOf,
} from '../../core/attempt'
import { faultOfKind } from '../../core/faults'
import { instrumentOf } from '../../core/instruments'
import { noticeText, partOfKind, positionName } from '../../core/parts'
import { type Unit } from '../../core/quantity'

/** “S1 closed, L1 out”. */
export function describeArrangement(circuit: Circuit, arrangement: Arrangement): string {
  const { controls, detached, bypassed = [], wiggled = [], engine, sinceKeyOff } = arrangement
  const definition = (id: string) => {
    const part = findPart(circuit, id)
    return part && partOfKind(part.kind)
  }
  return [
    ...Object.entries(controls).map(([id, key]) => {
      const known = definition(id)
      return `${id} ${known ? t(positionName(known, key)) : key}`
    }),
    ...detached.map((id) => `${id} ${t(definition(id)?.detach?.done ?? 'out')}`),
    ...bypassed.map(([a, b]) => t('jumper {a} – {b}', { a, b })),
    ...wiggled.map((id) => t('{id} moved by hand', { id })),
    ...(engine === 'running' ? [t('engine running')] : []),
    ...(sinceKeyOff ? [t('key off for {sinceKeyOff} s', { sinceKeyOff })] : []),
  ].join(', ')
}

export function describePrediction(prediction: Prediction, unit: Unit): string {
  switch (prediction.type) {
    case 'beep':
      return t('a beep')
    case 'OL':
      return 'OL'
    case 'word':
      return prediction.word
    case 'value':
      return formatQuantity(prediction.value, unit)
  }
}

/** “L1 dim, K1 silent”. */
export const describeSeen = (circuit: Circuit, seen: Readonly<Record<string, string>>): string =>
  Object.entries(seen)
    .map(([id, key]) => {
      const part = findPart(circuit, id)
      return `${id} ${part ? t(noticeText(part.kind, key)) : key}`
    })
    .join(', ')

/** Where an instrument is held: “L1a to B1−”. */
export function describeHeld(held: Connection['held']): string {
  switch (held.type) {
    case 'leads':
      return t('{red} to {black}', { red: held.red, black: held.black })
    case 'jaws':
      return t('round {held}', { held: held.round.join(t(' and ')) })
    case 'series':
      return t('in series at {part}', { part: held.part })
    case 'inPlaceOf':
      return t('in place of {part}', { part: held.part })
    case 'spots':
      return t('on the test spots of {part}', { part: held.part })
    case 'at':
      return t('at {part}', { part: held.part })
    case 'posts':
      return t('on the battery’s posts')
  }
}

/** Everything that a reading told: “12.3 V”, “bright”, “0.4 Ω, beeps”. */
export const describeReading = ({ text, word, signs }: StoredReading): string =>
  [text ? localNumbers(text) : t(word ?? ''), ...signs.map(tell)].filter(Boolean).join(', ')

/** An instrument with what is set on it, as far as that is not the usual. */
export function describeInstrument({ instrument: key, settings }: Connection): string {
  const instrument = instrumentOf(key)
  const set = instrument.settings.flatMap((setting) => {
    const value = settings[setting.key]
    const option = setting.options.find((o) => o.key === value)
    return option && value !== setting.preset ? [`${within(setting.label)} ${t(option.label)}`] : []
  })
  return [t(instrument.title), ...set].join(', ')
}

const named = (circuit: Circuit, piece: string): string => {
  const [found, ...more] = findPieces(circuit, piece)
  return found && !more.length ? pieceWords(circuit, found) : piece
}

export interface StepWords {
  readonly head: string
  readonly text: string
}

/** A step as a log or a review tells it; `number` counts the readings. */
export function stepWords(circuit: Circuit, step: Step, number: number): StepWords {
  switch (step.type) {
    case 'operate':
      return {
        head: step.says === 'notReproduced' ? t('Operated: not reproduced') : t('Operated'),
        text: `${describeArrangement(circuit, step.arrangement)}: ${describeSeen(circuit, step.seen)}`,
      }
    case 'test':
      return {
        head: t('Reading {number}: {reading}', { number, reading: describeReading(step.reading) }),
        text: testWords(circuit, step),
      }
    case 'infer':
      return {
        head: step.struck.length
          ? t('Struck out {join}', { join: step.struck.join(', ') })
          : t('Nothing struck out'),
        text: [
          step.ringed.length ? t('ringed {join}', { join: step.ringed.join(', ') }) : '',
          step.note && quoted(step.note),
        ]
          .filter(Boolean)
          .join('; '),
      }
    case 'conclude':
      return {
        head: t('Concluded: {piece}, {kind}', {
          piece: named(circuit, step.piece),
          kind: within(faultOfKind(step.kind).title),
        }),
        text: [t('{sure} % sure', { sure: step.sure }), step.note].filter(Boolean).join('. '),
      }
    case 'repair':
      return {
        head: t('Repaired'),
        text: `${named(circuit, step.piece)}: ${within(repairOf(step.by).title)}`,
      }
    case 'renew':
      return { head: t('Renewed a fuse'), text: step.fuse }
    case 'hint':
      return { head: t('Took a hint'), text: tell(step.says) }
    case 'question':
      return {
        head: t('Asked about “{typed}”', { typed: localNumbers(step.typed) }),
        text: `${describeInstrument(step)} ${describeHeld(step.held)}: ${tell(step.about)}`,
      }
  }
}

function testWords(circuit: Circuit, step: StepOf<'test'>): string {
  const also = step.also.map((one) =>
    t('with {one} {held}', { one: describeInstrument(one), held: describeHeld(one.held) }),
  )
  return [
    `${describeInstrument(step)} ${describeHeld(step.held)}`,
    ...also,
    t('predicted {unit}', { unit: describePrediction(step.prediction, step.reading.unit) }),
    ...(step.suspected
      ? [
          t('with the suspect at fault {unit}', {
            unit: describePrediction(step.suspected, step.reading.unit),
          }),
        ]
      : []),
    ...(step.asked
      ? [
          step.asked.answer === 'corrected'
            ? t('asked about {first}, and put it right', { first: step.asked.first })
            : t('asked about it: it stands'),
        ]
      : []),
    describeArrangement(circuit, step.arrangement),
  ].join('; ')
}
