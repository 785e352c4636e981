import { say, messageOf, type Message } from '../../core/document'
import { type MeterAnswer, type ReadMeter } from '../../contract'
import type { StoredReading } from '../../core/attempt'
import { instrumentOf, type InstrumentKey } from '../../core/instruments'
import { formatQuantity } from '../../core/quantity'
import { Line, MeterTrouble } from './line'

export interface MeterAddress {
  readonly host: string
  readonly port: number
}

/** What each instrument of the bag is called by a meter (SCPI-1999, volume 2: CONFigure and its functions). */
const functions: Partial<Record<InstrumentKey, { set: string; is: RegExp }>> = {
  volts: { set: 'CONFigure:VOLTage:DC', is: /^"?VOLT(AGE)?(:DC)?\b/i },
  ohms: { set: 'CONFigure:RESistance', is: /^"?RES(ISTANCE)?\b/i },
  continuity: { set: 'CONFigure:CONTinuity', is: /^"?CONT(INUITY)?\b/i },
  diode: { set: 'CONFigure:DIODe', is: /^"?DIOD(E)?\b/i },
  amps: { set: 'CONFigure:CURRent:DC', is: /^"?CURR(ENT)?(:DC)?\b/i },
}
/** What a meter sends for more than it can show (SCPI-1999, 7.2.1: 9.9E37 is infinity). */
const overload = 9.9e37
/** Milliseconds for a connection and for each answer. */
const usualPatience = 4000
/** Ohms under which continuity beeps where the meter sends only a number (common practice, no source). */
const beeps = 30

/** Reads a meter once: sets its function, sees that it took it, asks for a reading and for its errors. */
export async function readMeter(
  { host, port }: MeterAddress,
  { instrument: key, held, arrangement }: ReadMeter,
  patience = usualPatience,
): Promise<MeterAnswer> {
  const fn = functions[key]
  if (!fn) return { trouble: say('school.meterCannot', { title: messageOf(instrumentOf(key).title) }) }
  return withLine({ host, port }, patience, async (line) => {
    const name = await nameOf(line)
    line.send('*CLS')
    if (isStandIn(name)) {
      line.send(`SIMulate:STATe ${JSON.stringify(arrangement)}`)
      line.send(`SIMulate:HOLD ${JSON.stringify(held)}`)
    }
    line.send(fn.set)
    const is = await line.ask('CONFigure?')
    const sent = fn.is.test(is) ? await line.ask('READ?') : undefined
    const error = await line.ask('SYSTem:ERRor?')
    const [code, text] = [Number.parseInt(error, 10), error.replace(/^[^,]*,?/, '').replace(/"/g, '')]
    if (code !== 0) return { trouble: say('school.meterError', { text: (text || error).slice(0, 80) }) }
    if (sent === undefined) return { trouble: say('school.meterFunction', { is: is.slice(0, 40) }) }
    const value = Number(sent)
    if (sent === '' || Number.isNaN(value)) throw new MeterTrouble('garbage', sent)
    return { reading: readingOf(key, value) }
  })
}

/** Who is there. */
export const askName = (address: MeterAddress, patience = usualPatience) =>
  withLine(address, patience, async (line) => ({ name: (await nameOf(line)).slice(0, 120) }))

/** Maker, model, serial number and version, as an instrument says them (IEEE 488.2, 10.14). */
const identification = /^[^,]{1,60},[^,]{1,60},[^,]{0,60},[^,]{0,60}$/

/** What answers is asked who it is first: of what is no instrument, nothing is shown and nothing more is asked. */
async function nameOf(line: Line): Promise<string> {
  const name = await line.ask('*IDN?')
  if (!identification.test(name) || !/^[\x20-\x7e]+$/.test(name)) throw new MeterTrouble('noMeter')
  return name
}

const isStandIn = (name: string): boolean => /^brachyon,stand-in/i.test(name)

async function withLine<T>(
  { host, port }: MeterAddress,
  patience: number,
  work: (line: Line) => Promise<T>,
): Promise<T | { trouble: Message }> {
  let line: Line | undefined
  try {
    line = await Line.open(host, port, patience)
    return await work(line)
  } catch (error) {
    if (!(error instanceof MeterTrouble)) throw error
    return { trouble: words(error, host, port) }
  } finally {
    line?.close()
  }
}

function words({ trouble, said }: MeterTrouble, host: string, port: number): Message {
  const at = `${host}:${port}`
  switch (trouble) {
    case 'refused':
      return say('school.meterRefused', { at })
    case 'unreachable':
      return say('school.meterUnreachable', { at })
    case 'slow':
      return say('school.meterSlow', { at })
    case 'closed':
      return say('school.meterClosed')
    case 'garbage':
      return say('school.meterGarbage', { said: said.slice(0, 40) })
    case 'tooLong':
      return say('school.meterTooLong')
    case 'noMeter':
      return say('school.meterNone', { at })
  }
}

function readingOf(key: InstrumentKey, value: number): StoredReading {
  const { asks } = instrumentOf(key)
  const unit = asks.type === 'value' ? asks.unit : 'Ω'
  if (Math.abs(value) >= overload / 10) return { unit, text: 'OL', signs: [] }
  const signs = key === 'continuity' && value < beeps ? [{ code: 'instruments.beeps' }] : []
  return { value, unit, text: formatQuantity(value, unit), signs }
}
