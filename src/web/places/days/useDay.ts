import { listed, t } from '../../words'
import { computed, ref, shallowRef } from 'vue'
import { z } from 'zod'
import {
  ledgerStudentsSchema,
  lessonListSchema,
  storedDaySchema,
  userSchema,
  type DayBody,
  type LedgerStudents,
  type StoredDay,
} from '../../../contract'
import { faultKinds, faultOfKind, type FaultKind } from '../../../core/faults'
import { brokenRules, needsOf, rotate, type Station } from '../../../core/lab'
import { ask, messageOf, retryWhileOffline, send } from '../../api/client'
import { useServer } from '../../api/useServer'

const isKind = (kind: string): kind is FaultKind => (faultKinds as readonly string[]).includes(kind)

/** What each of some people should meet next, by what they have shown; who has shown nothing is not among them. */
async function readNeeds(people: readonly string[]): Promise<Map<string, readonly string[]>> {
  const needs = new Map<string, readonly string[]>()
  if (!people.length) return needs
  const query = new URLSearchParams(people.map((id) => ['student', id]))
  for (let after: string | null = ''; after !== null;) {
    if (after) query.set('after', after)
    const page: LedgerStudents = await ask(ledgerStudentsSchema, `/ledger/students?${query.toString()}`)
    for (const { id, attempts, next } of page.rows) if (attempts) needs.set(id, next)
    after = page.after
  }
  return needs
}

/** A lab day as it is planned: every change is saved, and what it breaks is known at once. */
export async function useDay(id: string) {
  const lessonList = useServer(lessonListSchema, () => '/lessons')
  const studentList = useServer(z.array(userSchema), () => '/students')
  const lessons = computed(() => lessonList.data.value ?? [])
  const people = computed(() => studentList.data.value ?? [])
  const stored = shallowRef<StoredDay>(await ask(storedDaySchema, `/days/${id}`))
  await Promise.all([lessonList.ready(), studentList.ready()])
  const wrong = ref('')
  const saving = ref(false)
  /** There is no connection: what was changed is sent as soon as there is. */
  const waiting = ref(false)
  const best = ref<boolean | null>(null)

  const body = computed(() => stored.value.body)
  const nameOf = (student: string) =>
    people.value.find((p) => p.id === student)?.name ?? t('ui.days.somebodyWhoLeft')
  /** What each needs first, by what they have shown; nobody needs anything until it is known. */
  const next = shallowRef<ReadonlyMap<string, readonly string[]>>(new Map())
  const ledger = readNeeds(stored.value.body.groups.flat()).then(
    (found) => void (next.value = found),
    () => undefined,
  )
  const groups = computed(() =>
    body.value.groups.map((people) => ({
      name: listed(people.map(nameOf)),
      needs: needsOf(people.map((id) => next.value.get(id) ?? [])),
    })),
  )
  const stands = computed((): Station[] =>
    body.value.stands.map(({ name, lesson, set }) => {
      const row = lessons.value.find((l) => l.id === lesson)
      const kind = row?.kinds[set] ?? ''
      return {
        name,
        task: row ? `${row.name}: ${row.sets[set] ?? set + 1}` : t('ui.days.nothingYetAt', { name }),
        family: isKind(kind) ? faultOfKind(kind).family : '',
      }
    }),
  )
  const seats = computed(() => {
    const { rounds, seats: kept } = body.value
    return groups.value.map((_, g) => Array.from({ length: rounds }, (_, r) => kept[g]?.[r] ?? -1))
  })
  const broken = computed(() => brokenRules(stands.value, groups.value, seats.value))

  let last = Promise.resolve()
  /** One after the other: each is told the revision that the one before has made. */
  function change(
    part: Partial<DayBody>,
    head: Partial<Pick<StoredDay, 'name' | 'day'>> = {},
  ): Promise<void> {
    stored.value = { ...stored.value, ...head, body: { ...body.value, ...part } }
    last = last.then(async () => {
      saving.value = true
      try {
        const kept = await retryWhileOffline(
          () => {
            const { name, day, class: group, revision, body: now } = stored.value
            return send(
              storedDaySchema,
              `/days/${id}`,
              { name, day, class: group, revision, body: now },
              'PUT',
            )
          },
          (now) => (waiting.value = now),
        )
        // What was changed while this was on its way stays.
        stored.value = { ...stored.value, revision: kept.revision }
        wrong.value = ''
      } catch (error) {
        wrong.value = messageOf(error)
        stored.value = await ask(storedDaySchema, `/days/${id}`).catch(() => stored.value)
      } finally {
        saving.value = false
      }
    })
    return last
  }
  async function turn() {
    // What the records say comes first, where they can be had.
    await ledger
    const found = rotate(stands.value, groups.value, body.value.rounds)
    best.value = found.best
    return change({ seats: found.seats.map((row) => [...row]) })
  }
  /** Two places change who is there, within a round or across. */
  function swap(a: { group: number; round: number }, b: { group: number; round: number }) {
    const next = seats.value.map((row) => [...row])
    const kept = next[a.group]![a.round]!
    next[a.group]![a.round] = next[b.group]![b.round]!
    next[b.group]![b.round] = kept
    best.value = null
    return change({ seats: next })
  }
  async function handOut(round: number): Promise<number> {
    const { count } = await send(z.object({ count: z.number() }), `/days/${id}/rounds/${round + 1}`)
    stored.value = await ask(storedDaySchema, `/days/${id}`)
    return count
  }
  return {
    stored,
    body,
    lessons,
    people,
    wrong,
    saving,
    waiting,
    best,
    groups,
    stands,
    seats,
    broken,
    change,
    turn,
    swap,
    handOut,
  }
}
