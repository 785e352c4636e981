import { defineStore } from 'pinia'
import { ref } from 'vue'
import { sessionSchema, type Session, type User } from '../../contract/account'
import { ask, post, send } from '../api/client'
import { setOwner } from '../api/unsent'
import { forgetAll } from './forget'

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const user = ref<User | null>(null)
  const setUp = ref(false)
  const known = ref(false)
  /** What the sign-in by the school's directory is called; null where there is none. */
  const directory = ref<string | null>(null)
  /** On how many other computers the account was signed in when this session began; 0 once that was looked at. */
  const others = ref(0)

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
    others.value = session.others ?? 0
    known.value = true
  }

  async function signIn(login: string, password: string): Promise<void> {
    take(await send(sessionSchema, '/session', { login, password }))
  }

  /** The session has ended elsewhere, or by the time. */
  function lose(): void {
    user.value = null
    forgetAll()
  }

  async function signOut(): Promise<void> {
    await post('/session', undefined, 'DELETE')
    user.value = null
    forgetAll()
  }

  return { user, setUp, known, directory, others, find, load, take, signIn, signOut, lose }
})
