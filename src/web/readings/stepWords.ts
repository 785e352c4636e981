import { findPart, findPieces } from '../../core/model'
import { formatQuantity, listed, localNumbers, quoted, t, tell, within } from '../words'
import { pieceWords } from './pieceWords'
import { type Circuit } from '../../core/circuit'
import {
  type Arrangement,
  type Connection,
  type Prediction,
  type Step,
  type StepOf,
  type StoredReading,
  isShaken,
  repairOf,
  shownOf,
  soundCircuit,
} from '../../core/attempt'
import { faultOfKind } from '../../core/faults'
import { instrumentOf, scaleWord } from '../../core/instruments'
import { noticeText, partOfKind, positionName } from '../../core/parts'
import { type Unit } from '../../core/quantity'

/** “S1 closed, L1 out”. */
export function describeArrangement(circuit: Circuit, arrangement: Arrangement): string {
  const {
    controls,
    detached,
    bypassed = [],
    wiggled = [],
    swapped = [],
    spares = [],
    engine,
    sinceKeyOff,
  } = arrangement
  const definition = (id: string) => {
    const part = findPart(circuit, id)
    return part && partOfKind(part.kind)
  }
  return [
    ...Object.entries(controls).map(([id, key]) => {
      const known = definition(id)
      return `${id} ${known ? tell(positionName(known, key)) : key}`
    }),
    ...detached.map((id) => `${id} ${tell(definition(id)?.detach?.done ?? 'ui.readings.partOut')}`),
    ...swapped.map(([a, b]) => t('ui.readings.swappedWith', { a, b })),
    ...spares.map((id) => t('ui.readings.spareIn', { id })),
    ...bypassed.map(([a, b]) => t('ui.readings.jumper', { a, b })),
    ...(wiggled.length > 1 && isShaken(circuit, arrangement)
      ? [t('ui.readings.everythingMoved')]
      : wiggled.map((id) => t('ui.readings.partMovedByHand', { id }))),
    ...(engine === 'running' ? [t('ui.readings.engineRunning')] : []),
    ...(sinceKeyOff ? [t('ui.readings.keyOffForS', { sinceKeyOff })] : []),
  ].join(', ')
}

export function describePrediction(prediction: Prediction, unit: Unit): string {
  switch (prediction.type) {
    case 'beep':
      return t('ui.readings.aBeep')
    case 'OL':
      return 'OL'
    case 'word':
      return tell(scaleWord(prediction.word))
    case 'value':
      return formatQuantity(prediction.value, unit)
  }
}

/** “L1 dim, K1 silent”. */
export const describeSeen = (circuit: Circuit, seen: Readonly<Record<string, string>>): string =>
  Object.entries(seen)
    .map(([id, key]) => {
      const part = findPart(circuit, id)
      return `${id} ${part ? tell(noticeText(part.kind, key)) : key}`
    })
    .join(', ')

/** Where an instrument is held: “L1a to B1−”. */
export function describeHeld(held: Connection['held']): string {
  switch (held.type) {
    case 'leads':
      return t('ui.readings.to', { red: held.red, black: held.black })
    case 'jaws':
      return t('ui.readings.round', { held: listed(held.round) })
    case 'series':
      return t('ui.readings.inSeriesAt', { part: held.part })
    case 'inPlaceOf':
      return t('ui.readings.inPlaceOf', { part: held.part })
    case 'spots':
      return t('ui.readings.onTheTestSpotsOf', { part: held.part })
    case 'at':
      return t('ui.readings.atPart', { part: held.part })
    case 'hand':
      return t(held.spare ? 'ui.readings.onTheSpareFor' : 'ui.readings.inTheHand', {
        red: held.red,
        black: held.black,
      })
    case 'posts':
      return t('ui.readings.onTheBatterysPosts')
  }
}

/** Everything that a reading told: “12.3 V”, “bright”, “0.4 Ω, beeps”. */
export const describeReading = (reading: StoredReading): string =>
  [tell(shownOf(reading)), ...reading.signs.map(tell)].filter(Boolean).join(', ')

/** An instrument with what is set on it, as far as that is not the usual. */
export function describeInstrument({ instrument: key, settings }: Connection): string {
  const instrument = instrumentOf(key)
  const set = instrument.settings.flatMap((setting) => {
    const value = settings[setting.key]
    const option = setting.options.find((o) => o.key === value)
    return option && value !== setting.preset ? [`${within(setting.label)} ${tell(option.label)}`] : []
  })
  return [tell(instrument.title), ...set].join(', ')
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
        head:
          step.says === 'notReproduced' ? t('ui.readings.operatedNotReproduced') : t('ui.readings.operated'),
        text: `${[
          describeArrangement(circuit, step.arrangement),
          ...(step.also ?? []).map((one, i) => {
            const shown = step.shows?.[i]
            const what = `${describeInstrument(one)} ${describeHeld(one.held)}`
            return shown ? `${what} ${describeReading(shown)}` : what
          }),
        ].join(', ')}: ${describeSeen(circuit, step.seen)}`,
      }
    case 'test':
      return {
        head: t('ui.readings.reading', { number, reading: describeReading(step.reading) }),
        text: testWords(circuit, step),
      }
    case 'infer':
      return {
        head: step.struck.length
          ? t('ui.readings.struckOut', { join: step.struck.join(', ') })
          : t('ui.readings.nothingStruckOut'),
        text: [
          step.ringed.length ? t('ui.readings.ringed', { join: step.ringed.join(', ') }) : '',
          step.note && quoted(step.note),
        ]
          .filter(Boolean)
          .join('; '),
      }
    case 'conclude':
      return {
        head:
          step.kind === soundCircuit
            ? t('ui.readings.concludedSound')
            : t('ui.readings.concluded', {
                piece: named(circuit, step.piece),
                kind: within(faultOfKind(step.kind).title),
              }),
        text: [t('ui.readings.sure', { sure: step.sure }), step.note].filter(Boolean).join('. '),
      }
    case 'repair':
      return {
        head: t('ui.readings.repaired'),
        text: `${named(circuit, step.piece)}: ${within(repairOf(step.by).title)}`,
      }
    case 'renew':
      return { head: t('ui.readings.renewedAFuse'), text: step.fuse }
    case 'hint':
      return { head: t('ui.readings.tookAHint'), text: tell(step.says) }
    case 'question':
      return {
        head: t('ui.readings.askedAbout', { typed: localNumbers(step.typed) }),
        text: `${describeInstrument(step)} ${describeHeld(step.held)}: ${tell(step.about)}`,
      }
  }
}

function testWords(circuit: Circuit, step: StepOf<'test'>): string {
  const also = step.also.map((one) =>
    t('ui.readings.with', { one: describeInstrument(one), held: describeHeld(one.held) }),
  )
  return [
    `${describeInstrument(step)} ${describeHeld(step.held)}`,
    ...also,
    t('ui.readings.predicted', { unit: describePrediction(step.prediction, step.reading.unit) }),
    ...(step.suspected
      ? [
          t('ui.readings.withTheSuspectAtFault', {
            unit: describePrediction(step.suspected, step.reading.unit),
          }),
        ]
      : []),
    ...(step.asked
      ? [
          step.asked.answer === 'corrected'
            ? t('ui.readings.askedAboutAndPutIt', { first: step.asked.first })
            : t('ui.readings.askedAboutItItStands'),
        ]
      : []),
    describeArrangement(circuit, step.arrangement),
  ].join('; ')
}
