import { phrases } from '../document'

export const say = phrases('lab', {
  lessonFormat: 'This is no lesson: its format must be “{format}”',
  lessonVersion: 'This lesson is of version {version}; this program reads version {most}',
  lessonName: 'A lesson needs a name',
  lessonSets: 'A lesson needs at least one set of faults',
  twice: '{student} meets {task} twice: in rounds {first} and {second}',
  neighbours: 'Round {round}: {a} and {b} stand side by side with {task}',
  double: 'Round {round}: {station} has two students',
  nowhere: 'Round {round}: {student} has no station',
  noColumn: 'Say which column holds the name',
  noRows: 'There is no row in it',
  rowName: 'Row {row}: no name',
  rowLogin: 'Row {row}: “{login}” is no sign-in name: small letters, digits, dots and dashes, from 2 to 40',
  rowTwice: 'Row {row}: {login} stands there twice',
  rowRole: 'Row {row}: “{role}” is neither student nor teacher: left out',
  noState: 'The demonstration asks in a state “{state}” that the circuit does not have',
  fileUnknown: '“{name}” is none of the files of a roster: {known}',
})
