import { findPieces, pieceName, type Circuit } from '../../core/circuit'
import type { Arrangement, Connection, Prediction, Step, StepOf, StoredReading } from '../../core/attempt'
import { repairOf } from '../../core/attempt'
import { faultOfKind } from '../../core/faults'
import { instrumentOf } from '../../core/instruments'
import { noticeText, partOfKind, positionName } from '../../core/parts'
import { formatQuantity, type Unit } from '../../core/quantity'
import { tell } from '../../contract/words'

/** “S1 closed, L1 out”. */
export function describeArrangement(circuit: Circuit, arrangement: Arrangement): string {
  const { controls, detached, bypassed = [], wiggled = [], engine, sinceKeyOff } = arrangement
  const definition = (id: string) => {
    const part = circuit.parts.find((p) => p.id === id)
    return part && partOfKind(part.kind)
  }
  return [
    ...Object.entries(controls).map(([id, key]) => {
      const known = definition(id)
      return `${id} ${known ? positionName(known, key) : key}`
    }),
    ...detached.map((id) => `${id} ${definition(id)?.detach?.done ?? 'out'}`),
    ...bypassed.map(([a, b]) => `jumper ${a} – ${b}`),
    ...wiggled.map((id) => `${id} moved by hand`),
    ...(engine === 'running' ? ['engine running'] : []),
    ...(sinceKeyOff ? [`key off for ${sinceKeyOff} s`] : []),
  ].join(', ')
}

export function describePrediction(prediction: Prediction, unit: Unit): string {
  switch (prediction.type) {
    case 'beep':
      return 'a beep'
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
      const part = circuit.parts.find((p) => p.id === id)
      return `${id} ${part ? noticeText(part.kind, key) : key}`
    })
    .join(', ')

/** Where an instrument is held: “L1a to B1−”. */
export function describeHeld(held: Connection['held']): string {
  switch (held.type) {
    case 'leads':
      return `${held.red} to ${held.black}`
    case 'jaws':
      return `round ${held.round.join(' and ')}`
    case 'series':
      return `in series at ${held.part}`
    case 'inPlaceOf':
      return `in place of ${held.part}`
    case 'spots':
      return `on the test spots of ${held.part}`
    case 'at':
      return `at ${held.part}`
    case 'posts':
      return 'on the battery’s posts'
  }
}

/** Everything that a reading told: “12.3 V”, “bright”, “0.4 Ω, beeps”. */
export const describeReading = ({ text, word, signs }: StoredReading): string =>
  [text || (word ?? ''), ...signs.map(tell)].filter(Boolean).join(', ')

/** An instrument with what is set on it, as far as that is not the usual. */
export function describeInstrument({ instrument: key, settings }: Connection): string {
  const instrument = instrumentOf(key)
  const set = instrument.settings.flatMap((setting) => {
    const value = settings[setting.key]
    const option = setting.options.find((o) => o.key === value)
    return option && value !== setting.preset ? [`${setting.label.toLowerCase()} ${option.label}`] : []
  })
  return [instrument.title, ...set].join(', ')
}

const named = (circuit: Circuit, piece: string): string => {
  const [found, ...more] = findPieces(circuit, piece)
  return found && !more.length ? pieceName(circuit, found) : piece
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
        head: step.says === 'notReproduced' ? 'Operated: not reproduced' : 'Operated',
        text: `${describeArrangement(circuit, step.arrangement)}: ${describeSeen(circuit, step.seen)}`,
      }
    case 'test':
      return { head: `Reading ${number}: ${describeReading(step.reading)}`, text: testWords(circuit, step) }
    case 'infer':
      return {
        head: step.struck.length ? `Struck out ${step.struck.join(', ')}` : 'Nothing struck out',
        text: [step.ringed.length ? `ringed ${step.ringed.join(', ')}` : '', step.note && `“${step.note}”`]
          .filter(Boolean)
          .join('; '),
      }
    case 'conclude':
      return {
        head: `Concluded: ${named(circuit, step.piece)}, ${faultOfKind(step.kind).title.toLowerCase()}`,
        text: [`${step.sure} % sure`, step.note].filter(Boolean).join('. '),
      }
    case 'repair':
      return {
        head: 'Repaired',
        text: `${named(circuit, step.piece)}: ${repairOf(step.by).title.toLowerCase()}`,
      }
    case 'renew':
      return { head: 'Renewed a fuse', text: step.fuse }
    case 'hint':
      return { head: 'Took a hint', text: tell(step.says) }
  }
}

function testWords(circuit: Circuit, step: StepOf<'test'>): string {
  const also = step.also.map((one) => `with ${describeInstrument(one)} ${describeHeld(one.held)}`)
  return [
    `${describeInstrument(step)} ${describeHeld(step.held)}`,
    ...also,
    `predicted ${describePrediction(step.prediction, step.reading.unit)}`,
    ...(step.suspected
      ? [`with the suspect at fault ${describePrediction(step.suspected, step.reading.unit)}`]
      : []),
    ...(step.asked
      ? [
          step.asked.answer === 'corrected'
            ? `asked about ${step.asked.first}, and put it right`
            : 'asked about it: it stands',
        ]
      : []),
    describeArrangement(circuit, step.arrangement),
  ].join('; ')
}
