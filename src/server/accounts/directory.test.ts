import { pino } from 'pino'
import request from 'supertest'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { startDirectory } from '../../../test/directory'
import { passwords, startSchool, type School } from '../../../test/school'
import { createApp } from '../app'
import { Directory, directorySettings } from './directory'

const client = { id: 'brachyon', secret: 'a secret & more' }
const env = {
  OIDC_ISSUER: 'https://directory.school.example',
  OIDC_CLIENT_ID: client.id,
  OIDC_CLIENT_SECRET: client.secret,
}

describe('signing in by the school’s own directory', () => {
  let school: School
  let provider: Awaited<ReturnType<typeof startDirectory>>
  let app: ReturnType<typeof createApp>

  beforeAll(async () => {
    provider = await startDirectory(client)
    school = await startSchool()
    const settings = directorySettings({
      ...env,
      OIDC_ISSUER: provider.url,
      OIDC_LABEL: 'Vale account',
      OIDC_INSTRUCTORS: 'staff, heads',
      OIDC_STUDENTS: 'learners',
      PUBLIC_URL: 'http://school.example/',
    })!
    const { database, workers } = school
    app = createApp({
      database,
      workers,
      logger: pino({ level: 'silent' }),
      directory: new Directory(settings),
    })
  }, 60_000)
  afterAll(async () => {
    provider.close()
    await school.close()
  })
  beforeEach(() => {
    provider.forge = (token) => token
  })

  const browser = () => request.agent(app)
  type Browser = ReturnType<typeof browser>
  /** From our button to the directory and back, as a browser goes; answers where our page sends it on to. */
  async function visit(agent: Browser, next = '', meddle = (path: string) => path): Promise<string> {
    const away = await agent.get(`/api/directory${next && `?next=${encodeURIComponent(next)}`}`).expect(302)
    const back = await fetch(away.headers.location!, { redirect: 'manual' })
    const { pathname, search } = new URL(back.headers.get('location')!)
    const page = await agent.get(meddle(pathname + search)).expect(200)
    return /content="0;url=([^"]*)"/.exec(page.text)![1]!.replaceAll('&#38;', '&')
  }
  const whoIs = async (agent: Browser) => (await agent.get('/api/session').expect(200)).body.user
  const person = (sub: string, login: string, groups: string | string[], name = 'Nadia Fenn') => ({
    sub,
    preferred_username: login,
    groups,
    name,
  })

  it('is offered by its name, and only where there is one', async () => {
    expect((await browser().get('/api/session')).body.directory).toBe('Vale account')
    expect((await school.visitor().get('/api/session')).body.directory).toBeNull()
    await school.visitor().get('/api/directory').expect(404)
  })

  it('makes an account for who is in a group of ours, once, and finds it again by who it is', async () => {
    provider.next = person('sub-1', 'Nadia.Fenn', ['learners', 'chess'])
    const agent = browser()
    expect(await visit(agent, '/handbook')).toBe('/handbook')
    expect(await whoIs(agent)).toMatchObject({ login: 'nadia.fenn', name: 'Nadia Fenn', role: 'student' })
    await agent.get('/api/circuits').expect(403)
    // Renamed at the directory, it is still the same person.
    provider.next = person('sub-1', 'nadia.marsh', 'learners', 'Nadia Marsh')
    const again = browser()
    await visit(again)
    expect((await whoIs(again)).login).toBe('nadia.fenn')
    provider.next = person('sub-2', 'head.teacher', ['heads'])
    const head = browser()
    await visit(head)
    expect(await whoIs(head)).toMatchObject({ role: 'instructor' })
    // Nobody signs in to such an account with an empty password.
    for (const password of ['', ' ', 'x'])
      expect((await browser().post('/api/session').send({ login: 'nadia.fenn', password })).status).not.toBe(
        200,
      )
  })

  it('keeps out who is in no group of ours, who says no, and whose sign-in name is none', async () => {
    provider.next = person('sub-3', 'visitor', ['guests'])
    expect(await visit(browser())).toBe('/sign-in?directory=unknown')
    provider.next = person('sub-4', '!', ['learners'])
    expect(await visit(browser())).toBe('/sign-in?directory=unknown')
    provider.next = undefined
    expect(await visit(browser())).toBe('/sign-in?directory=refused')
    const users = await school.database.query(`select 1 from users where login in ('visitor', '!')`)
    expect(users).toEqual([])
  })

  it('takes no account over by its name: its own password links it, once', async () => {
    provider.next = person('sub-orla', 'orla', ['learners'], 'Orla Other')
    const agent = browser()
    expect(await visit(agent)).toBe('/sign-in?directory=link&login=orla')
    expect(await whoIs(agent)).toBeNull()
    await agent.post('/api/session').send({ login: 'orla', password: 'not that one' }).expect(401)
    // What was to be linked is gone with a wrong try or kept: either way nobody else's password links it.
    await agent.post('/api/session').send({ login: 'tam', password: passwords.tam }).expect(200)
    expect(await school.database.query(`select 1 from identities where subject = 'sub-orla'`)).toEqual([])
    const own = browser()
    await visit(own)
    await own.post('/api/session').send({ login: 'orla', password: passwords.orla }).expect(200)
    const later = browser()
    await visit(later)
    expect(await whoIs(later)).toMatchObject({ login: 'orla', role: 'instructor', name: 'Orla Venning' })
  })

  it('believes no token that was made for somebody else, and no visit that it did not begin', async () => {
    provider.next = person('sub-1', 'nadia.fenn', ['learners'])
    for (const forge of [
      (token: object) => ({ ...token, aud: 'another' }),
      (token: object) => ({ ...token, iss: 'https://elsewhere.example' }),
      (token: object) => ({ ...token, nonce: 'x' }),
      (token: object) => ({ ...token, exp: 1 }),
    ]) {
      provider.forge = forge
      const agent = browser()
      expect(await visit(agent)).toBe('/sign-in?directory=refused')
      expect(await whoIs(agent)).toBeNull()
    }
    provider.forge = (token) => token
    const agent = browser()
    expect(await visit(agent, '', (path) => path.replace(/state=[^&]*/, 'state=other'))).toBe(
      '/sign-in?directory=refused',
    )
    // Somebody is led to the end of another's visit.
    const page = await browser().get('/api/directory/back?code=x&state=y').expect(200)
    expect(page.text).toContain('/sign-in?directory=late')
  })

  it.each(['//evil.example', '/\\evil.example', 'https://evil.example', 'javascript:alert(1)', ''])(
    'goes on within the school only: %s',
    async (next) => {
      provider.next = person('sub-1', 'nadia.fenn', ['learners'])
      expect(await visit(browser(), next)).toBe('/')
    },
  )

  it('says in words that the directory does not answer, and local accounts go on', async () => {
    const { database, workers } = school
    const settings = directorySettings({ ...env, OIDC_ISSUER: 'http://127.0.0.1:9' })!
    const down = createApp({
      database,
      workers,
      logger: pino({ level: 'silent' }),
      directory: new Directory(settings),
    })
    const answer = await request(down).get('/api/directory').expect(503)
    expect(answer.body.message.code).toBe('school.noDirectory')
    await request(down).post('/api/session').send({ login: 'tam', password: passwords.tam }).expect(200)
  })

  it('is asked for by settings that fit together, and over https', () => {
    expect(directorySettings({})).toBeUndefined()
    expect(directorySettings(env)).toMatchObject({ label: 'school account', instructors: [], students: [] })
    expect(() => directorySettings({ ...env, OIDC_CLIENT_SECRET: '' })).toThrow(/OIDC_CLIENT_SECRET/)
    expect(() => directorySettings({ ...env, OIDC_ISSUER: 'directory' })).toThrow(/must be an address/)
    expect(() => directorySettings({ ...env, OIDC_ISSUER: 'http://directory.school.example' })).toThrow(
      /https/,
    )
  })
})
