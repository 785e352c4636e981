import { fuseTable, lampTable, sectionTable } from '../parts'
import { ampacity, sections } from '../workshop'

/** A table to look things up in. */
export interface LookUp {
  readonly key: string
  readonly title: string
  readonly words: readonly string[]
  readonly source: string
  readonly head: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

const amps = (section: number): string => {
  const value = ampacity(section)
  return String(value < 10 ? value : Math.round(value))
}

/** Every table there is. */
export const lookUps: readonly LookUp[] = [
  {
    key: 'meaning',
    title: 'What a reading means',
    words: ['zero', 'source volts', 'voltage drop', 'open', 'loss'],
    source: 'Ohm’s and Kirchhoff’s laws; the words are common practice',
    head: ['Between', 'Reads', 'With current', 'Without current'],
    rows: [
      ['two ends of a wire or joint', 'about zero', 'sound', 'says nothing: nothing flows that could drop'],
      [
        'two ends of a wire or joint',
        'some hundred millivolts',
        'too many ohms in it',
        'cannot be: look for a path',
      ],
      ['two ends of a wire or joint', 'source volts', 'cannot be', 'it is open, and the rest is whole'],
      ['a load', 'nearly source volts', 'well fed: judge the load', 'the load is open'],
      ['a load', 'much less', 'the rest is lost in feed or return: measure both', 'feed or return is open'],
      [
        'a point before the load and battery −',
        'source volts',
        'the feed is good as far as here',
        'whole as far as here; no word on its ohms',
      ],
      [
        'a point behind the load and battery −',
        'about zero',
        'the return is good from here',
        'whole from here, or nothing feeds it',
      ],
      [
        'a point behind the load and battery −',
        'source volts',
        'cannot be',
        'the return is open from here on',
      ],
    ],
  },
  {
    key: 'terminals',
    title: 'Terminal numbers',
    words: ['din 72552', 'relay pin', 'ignition', '30', '15', '31', '87', '50', '58'],
    source: 'DIN 72552 (from memory; the vehicle maker’s plan comes first)',
    head: ['Number', 'What it is'],
    rows: [
      ['15', 'ignition on, from the key switch'],
      ['30', 'battery +, always'],
      ['31', 'ground, battery −'],
      ['49a', 'from the flasher unit'],
      ['50', 'starter control'],
      ['53', 'wiper motor'],
      ['54', 'stop lamps'],
      ['56a, 56b', 'high beam, low beam'],
      ['58', 'side, tail and plate lamps'],
      ['61', 'charge lamp at the alternator'],
      ['85, 86', 'relay coil: end and beginning'],
      ['87, 87a', 'relay contact: closes, opens'],
      ['B+, D+', 'alternator output, its exciter and lamp'],
    ],
  },
  {
    key: 'relays',
    title: 'A relay by its socket',
    words: ['coil', 'contact', '30', '85', '86', '87', 'test'],
    source: 'common practice, no source',
    head: ['Socket hole', 'Relay out, circuit switched on', 'What it says'],
    rows: [
      ['30', 'source volts to battery −', 'supply of the contact is there; load it with a lamp'],
      ['86 or 85', 'source volts at one of them', 'supply of the coil is there'],
      [
        'the other of them',
        'OL to battery −, about 0 Ω once it is switched',
        'the control side closes to ground',
      ],
      ['87', 'the load’s ohms to battery −', 'the load and its return are whole'],
      ['30 to 87', 'a fused jumper runs the load', 'everything but the relay and its control is good'],
    ],
  },
  {
    key: 'wires',
    title: 'Wires',
    words: ['section', 'mm²', 'awg', 'ampacity'],
    source: 'ISO 6722-1 sections (from memory); amps: common practice, no source',
    head: ['mm²', 'About', 'Commonly fused for, A'],
    rows: sectionTable.map(({ value, text }) => [String(value), text.replace(/^.*about /, ''), amps(value)]),
  },
  {
    key: 'fuses',
    title: 'Blade fuses',
    words: ['rating', 'colour', 'iso 8820'],
    source: 'ISO 8820-3 (from memory)',
    head: ['Rating, A', 'Thinnest wire it protects, mm²'],
    rows: fuseTable.map(({ value }) => [
      String(value),
      sections.find((s) => ampacity(s) >= value * 0.999)?.toString() ?? 'none of the table',
    ]),
  },
  {
    key: 'lamps',
    title: 'Lamps',
    words: ['bulb', 'watts', 'category'],
    source: 'UN Regulation No. 37 (from memory)',
    head: ['Watts', 'Categories'],
    rows: lampTable.map(({ value, text }) => [String(value), text.replace(/^.*: /, '')]),
  },
]
