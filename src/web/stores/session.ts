import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { z } from 'zod'
import { sessionSchema, type User } from '../../contract/account'
import type { cardInSchema } from '../../contract/days'
import { ask, post, send } from '../api/client'

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const user = ref<User | null>(null)
  const setUp = ref(false)
  const known = ref(false)

  async function find(): Promise<void> {
    if (known.value) return
    const session = await ask(sessionSchema, '/session')
    user.value = session.user
    setUp.value = session.setUp
    known.value = true
  }

  /** Asks again: something of the account has changed. */
  async function load(): Promise<void> {
    known.value = false
    await find()
  }

  async function signIn(login: string, password: string): Promise<void> {
    const session = await send(sessionSchema, '/session', { login, password })
    user.value = session.user
    setUp.value = session.setUp
    known.value = true
  }

  async function signInByCard(card: z.input<typeof cardInSchema>): Promise<void> {
    const session = await send(sessionSchema, '/card/in', card)
    user.value = session.user
    setUp.value = false
    known.value = true
  }

  async function signOut(): Promise<void> {
    await post('/session', undefined, 'DELETE')
    user.value = null
  }

  return { user, setUp, known, find, load, signIn, signInByCard, signOut }
})
