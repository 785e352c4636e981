import type { Term } from './term'

/** Places of a class's students among those of all classes. */
export function membersOf(term: Pick<Term, 'classes'>, c: number): number[] {
  const before = term.classes.slice(0, c).reduce((sum, one) => sum + one.students.length, 0)
  return term.classes[c]!.students.map((_, i) => before + i)
}
