import { phrases } from '../document'

export const say = phrases('formats', {
  model: 'A model is written .model NAME D(IS=… N=… RS=…)',
  modelValue: '“{key}” is not understood here: IS, N and RS with a number are',
  notUnderstood: '“{word}” is not understood: accepted are {accepted}',
  twice: '{name} is there twice: names must differ',
  needsModel: '{name} needs two nodes and a model',
  needsValue: '{name} needs two nodes and a value',
  noModel: 'There is no model “{model}” for {name}',
  noValue: '“{text}” is no value for {name}: write it like 4.7, 4k7 is 4.7k, 12m',
  aboveZero: '{name} must be above 0 Ω',
  empty: 'There is no element in it: accepted are {accepted}',
  noReference: 'No element touches node 0, the reference',
  givesPower:
    '{name}: a current source that gives power, or has under 1 V, is no electronic load; use a voltage source',
  loadSize: '{name} of {amps} A: an electronic load draws 1 mA to 200 A',
  noSource: 'No voltage source stands on node 0: a circuit needs its source there',
  supplySize: '{name} of {volts} V: a bench supply gives 0.1 to 60 V',
  resistorSize: '{name}: {ohms} Ω: a resistor here has 0.01 Ω to 1 MΩ',
  notKnown: '{name}: not known here',
  diodeKnee: '{name}: its model gives forward volts at 1 mA of {value}, which no diode here has',
  diodeValue: '{name}: its model gives {key} of {value}, which no diode here has',
  noStep: 'A step is one of {kinds}',
  noState: 'There is no state “{name}”: there are {states}',
  heldHow: '{title}: it is not said where it is held (red and black, round, series, inPlaceOf or spots)',
})
