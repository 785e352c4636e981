import { phrases } from '../document'

export const say = phrases('workshop', {
  noReading: 'Enter at least one reading of the healthy board',
  noPoint: 'There is no point {name}',
  noState: 'There is no state {id}',
  noEquilibrium: 'The circuit finds no equilibrium in one of these states',
  noSize: '“{title}” has no size: it is there or not',
  outOfReach:
    'This fault loses between {least} and {most} V in the {side, select, feed {feed} other {return}}: {volts} V is out of its reach',
  noNotice: 'No size of “{title}” there makes {part} {notice} in this state',
  noLazy: 'No size of “{title}” there passes continuity and fails these limits in this state',
  overWatts: '{id} sheds {watts}, it is made for {rated} W: it burns',
  burntThrough:
    '{id} has burnt through: nothing protects it, its insulation smoked within seconds. Never on a real board',
  burns:
    '{id} carries {amps}: its insulation smokes after {smokes}, and it melts after {melts}. Time under load: none',
  jumperRound: 'The jumper {from} – {to} leads round {fuse}: fuse the jumper like the circuit it feeds',
  blows: '{id} blows in one of the states',
  noSuchFuse: '{id} has {rating} A: its body is made from {least} to {most} A. Choose another body or rating',
  overFuse: '{id} carries {amps}, more than its {rating} A',
  noLoad: '{path} has no load yet: as it stands it shorts the battery',
  pathWith: 'The path with {id}',
  thinWire:
    '{id} of {section} mm² is good for {good} A, its fuse lets {rating} A pass: take {enough} mm² or a smaller fuse',
  thinWireOnly: '{id} of {section} mm² is good for {good} A, its fuse lets {rating} A pass: a smaller fuse',
  noFuse: '{id}, {length} m, has no fuse before it: put the fuse near the battery',
})
