import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { z } from 'zod'
import { sessionSchema, type Session, type User } from '../../contract/account'
import { cardAnswerSchema, type cardInSchema } from '../../contract/days'
import { ask, post, send } from '../api/client'
import { setOwner } from '../api/unsent'

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const user = ref<User | null>(null)
  const setUp = ref(false)
  const known = ref(false)
  /** What the sign-in by the school's directory is called; null where there is none. */
  const directory = ref<string | null>(null)

  async function find(): Promise<void> {
    if (known.value) return
    take(await ask(sessionSchema, '/session'))
  }

  /** Asks again: something of the account has changed. */
  async function load(): Promise<void> {
    known.value = false
    await find()
  }

  function take(session: Session): void {
    user.value = session.user
    if (session.user) setOwner(session.user.id)
    setUp.value = session.setUp
    directory.value = session.directory ?? null
    known.value = true
  }

  /** @param alone ends every other session of the account */
  async function signIn(login: string, password: string, alone = false): Promise<void> {
    take(await send(sessionSchema, '/session', { login, password, ...(alone && { alone }) }))
  }

  /** False while the instructor has not confirmed yet who stands there. */
  async function signInByCard(card: z.input<typeof cardInSchema>): Promise<boolean> {
    const answer = await send(cardAnswerSchema, '/card/in', card)
    if ('waiting' in answer) return false
    take(answer)
    return true
  }

  /** The session has ended elsewhere, or by the time. */
  function lose(): void {
    user.value = null
  }

  async function signOut(): Promise<void> {
    await post('/session', undefined, 'DELETE')
    user.value = null
  }

  return { user, setUp, known, directory, find, load, signIn, signInByCard, signOut, lose }
})
