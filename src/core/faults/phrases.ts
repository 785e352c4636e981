import { phrases } from '../document'

export const say = phrases('faults', {
  noCold: '{kind} has no ohms of its own beside its severity',
  coldRange: 'Ohms at a milliamp: from {least} to {most} Ω',
  noPart: 'There is no part {id}',
  noSegment: '{id} has no “{key}”: it has {keys}',
  cannotStrike: '“{title}” cannot strike its {name}',
  range: '{label} must lie between {least} and {most} {unit}',
  whichOther: 'Say which other piece is involved: {others}',
  noOther:
    'There is no other piece that could be involved: conductors touch where a bundle holds them together',
  spec: 'fault “{spec}”: {why}',
  written: 'write it as PART[.SEGMENT]=KIND[:SEVERITY], such as X2=corroded:3',
  noKind: 'there is no kind “{kind}”: known are {kinds}',
  whichSegment: 'say which segment of {id}: {keys}',
  cannotFail: '{id} cannot fail that way',
  noSeverity: '{kind} takes no severity',
  nameOther: 'name the other piece after &, one of {others}',
  noOtherHere: 'there is no other piece here that it could involve',
  involvesNone: '{kind} involves no other piece',
})
