import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { z } from 'zod'
import { userSchema } from '../../contract/account'
import { classListSchema, type ClassList } from '../../contract/classes'
import { everybody, scopeSchema, type Scope } from '../../contract/scope'
import { ask, post } from '../api/client'
import { t } from '../words'

/** As much of a person as a list shows. */
export interface Person {
  readonly id: string
  readonly name: string
}

/** Names that are told one by one; of more there is a number. */
const mostNamed = 3

/** Whose work is looked at: the classes and people that an instructor chose last, on whatever computer. */
export const useScope = defineStore('scope', () => {
  const classes = shallowRef<ClassList>([])
  const scope = ref<Scope>(everybody)
  /** Everybody of the school, where somebody has asked for them. */
  const everyone = shallowRef<readonly Person[]>([])
  let known: Promise<void> | undefined

  /** Reads it once; again where classes may have changed. */
  function load(again = false): Promise<void> {
    if (!known || again)
      known = Promise.all([ask(scopeSchema, '/scope'), ask(classListSchema, '/classes')]).then(
        ([chosen, list]) => {
          classes.value = list
          // A class that is gone is not looked for.
          const there = chosen.classes.filter((id) => list.some((one) => one.id === id))
          scope.value =
            there.length === chosen.classes.length ? within(chosen) : { ...everybody, classes: there }
        },
        (error: unknown) => {
          known = undefined
          throw error
        },
      )
    return known
  }

  async function loadPeople(): Promise<void> {
    everyone.value = await ask(z.array(userSchema), '/students')
  }

  const membersOf = (ids: readonly string[]): readonly Person[] => {
    if (!ids.length) return everyone.value
    const all = classes.value.filter(({ id }) => ids.includes(id)).flatMap(({ members }) => members)
    return [...new Map(all.map((one) => [one.id, one])).values()].sort((a, b) => a.name.localeCompare(b.name))
  }
  /** People who are in none of the chosen classes are not chosen. */
  const within = (next: Scope): Scope => {
    if (!next.classes.length) return next
    const members = new Set(membersOf(next.classes).map(({ id }) => id))
    return { classes: next.classes, students: next.students.filter((id) => members.has(id)) }
  }

  function choose(next: Scope): void {
    scope.value = within(next)
    // Not to be remembered is no reason not to look.
    void post('/scope', scope.value, 'PUT').catch(() => undefined)
  }

  /** Whoever can be chosen one by one: of the chosen classes, or of the school where that was asked for. */
  const members = computed(() => membersOf(scope.value.classes))
  /** Whose work is meant, by id; null for everybody's. */
  const people = computed((): ReadonlySet<string> | null => {
    const { classes: chosen, students } = scope.value
    if (students.length) return new Set(students)
    return chosen.length ? new Set(members.value.map(({ id }) => id)) : null
  })
  const query = computed(() =>
    new URLSearchParams([
      ...scope.value.classes.map((id) => ['class', id]),
      ...scope.value.students.map((id) => ['student', id]),
    ]).toString(),
  )
  /** In words, for the head of a list. */
  const about = computed(() => {
    const { classes: chosen, students } = scope.value
    const count = students.length
    if (!chosen.length) return count ? t('ui.common.count', { count }) : t('ui.common.everybody')
    const names = classes.value.filter(({ id }) => chosen.includes(id)).map(({ name }) => name)
    const shown =
      names.length > mostNamed
        ? t('ui.stores.andMore', {
            names: names.slice(0, mostNamed).join(', '),
            count: names.length - mostNamed,
          })
        : names.join(', ')
    return count ? t('ui.stores.count', { shown, count }) : shown
  })
  return { classes, scope, everyone, members, people, query, about, load, loadPeople, choose }
})
