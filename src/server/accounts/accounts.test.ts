import { pino } from 'pino'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { allTables, rowsOf } from '../../../test/every-table'
import { passwords, startSchool, type School } from '../../../test/school'
import { resetSchema, signInsSchema, type User } from '../../contract'
import { createApp } from '../app'

const fresh = 'seven wet gravel hinges'

describe('accounts', () => {
  let school: School
  let orla: TestAgent
  const enter = (login: string, password: string) =>
    school.visitor().post('/api/session').send({ login, password })
  const idOf = async (login: string) =>
    ((await orla.get('/api/people').expect(200)).body as User[]).find((u) => u.login === login)!.id

  /** As if the time that an account has to wait were over. */
  const passes = (account: string) =>
    school.database.query(
      `update wrong_tries set last_at = now() - interval '16 minutes' where account = $1`,
      [account],
    )

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
  }, 60_000)
  afterAll(() => school.close())

  it.each([
    ['12345678', /at least 12/],
    ['password', /at least 12/],
    ['        ', /at least 12/],
    ['            ', /passwordShort|at least|guessed/],
    ['123456789012', /guessed/],
    ['password1234', /guessed/],
    ['qwertyuiop12', /guessed/],
    ['aaaaaaaaaaaaaaaa', /guessed/],
    ['newcomer', /at least 12/],
    ['newcomer-newcomer', /guessed/],
    ['rowena-sedge-1', /guessed/],
    ['Summer2026!!', /guessed/],
    ['Winter!!Winter2027', /guessed/],
    ['werkstatt2026', /guessed/],
    ['kfzmechatroniker', /guessed/],
    ['Sicherung-Relais-2026', /guessed/],
    ['fennickvale2026', /guessed/],
    ['Fennick Vale 26!', /guessed/],
  ])('refuse “%s” as a password', async (password) => {
    const account = { login: 'newcomer', name: 'Rowena Sedge', password }
    const answer = await orla.post('/api/students').send(account).expect(422)
    expect(answer.body.message.code).toMatch(/passwordShort|passwordGuessed/)
  })

  it('keep the language of whoever chose it, and nobody else’s', async () => {
    await orla.post('/api/students').send({ login: 'lark', name: 'Lark Ebbing', password: fresh }).expect(201)
    await school.visitor().put('/api/language').send({ language: 'de' }).expect(401)
    // Before a first password of one's own nothing else is open.
    const first = await school.signedIn('lark', fresh)
    await first.put('/api/language').send({ language: 'de' }).expect(403)
    await first.put('/api/password').send({ current: fresh, password: 'five tin ledges by noon' }).expect(204)
    await first.put('/api/language').send({ language: 'de' }).expect(204)
    for (const language of ['x', 'de; drop table users', 7, null])
      await first.put('/api/language').send({ language }).expect(422)
    await first.put('/api/language').send({ language: 'de', role: 'instructor' }).expect(422)
    const again = await school.signedIn('lark', 'five tin ledges by noon')
    expect((await again.get('/api/session')).body.user).toMatchObject({ language: 'de', role: 'student' })
    expect((await orla.get('/api/session')).body.user.language).not.toBe('de')
  })

  it('change their password: the present one is asked for, and every other session ends', async () => {
    await orla.post('/api/students').send({ login: 'wren', name: 'Wren Ashby', password: fresh }).expect(201)
    const [here, there] = [await school.signedIn('wren', fresh), await school.signedIn('wren', fresh)]
    expect((await here.get('/api/session')).body.user.mustChange).toBe(true)
    const change = (current: string, password: string) =>
      here.put('/api/password').send({ current, password })
    expect((await change('not that one', 'five tin ledges by noon').expect(422)).body.message.code).toMatch(
      /currentWrong/,
    )
    expect((await change(fresh, fresh).expect(422)).body.message.code).toMatch(/samePassword/)
    expect((await change(fresh, 'wren ashby').expect(422)).body.message.code).toMatch(/passwordShort/)
    await change(fresh, 'five tin ledges by noon').expect(204)
    await there.get('/api/desk').expect(401)
    await here.get('/api/desk').expect(200)
    expect((await here.get('/api/session')).body.user.mustChange).toBeFalsy()
    await enter('wren', fresh).expect(401)
    const again = await school.signedIn('wren', 'five tin ledges by noon')
    await here.delete('/api/sessions').expect(204)
    await again.get('/api/desk').expect(401)
    await here.get('/api/desk').expect(200)
    await school.visitor().put('/api/password').send({ current: 'x', password: fresh }).expect(401)
  })

  it('get a new password from an instructor: told once, and to be changed', async () => {
    await orla.post('/api/students').send({ login: 'pell', name: 'Pell Marsh', password: fresh }).expect(201)
    const pell = await school.signedIn('pell', fresh)
    const id = await idOf('pell')
    const answer = await orla.post(`/api/people/${id}/password`).expect(200)
    const { password } = resetSchema.parse(answer.body)
    expect(password).toMatch(/^([a-z]+-){4}\d\d$/)
    await pell.get('/api/desk').expect(401)
    await enter('pell', fresh).expect(401)
    expect((await enter('pell', password).expect(200)).body.user.mustChange).toBe(true)
    const tam = await school.signedIn('tam', passwords.tam)
    await tam.post(`/api/people/${id}/password`).expect(403)
    await tam.get('/api/people').expect(403)
    await tam.get('/api/sign-ins').expect(403)
    await tam.post('/api/instructors').send({}).expect(403)
    await tam.delete(`/api/people/${id}`).expect(403)
  })

  it('of instructors are made by instructors, and taken away without what they made', async () => {
    const account = { login: 'second', name: 'Second Instructor', password: fresh }
    await orla.post('/api/instructors').send(account).expect(201)
    const second = await school.signedIn('second', fresh)
    await second.get('/api/circuits').expect(403)
    await second.put('/api/password').send({ current: fresh, password: 'quill-sedge-tarn-44' }).expect(204)
    const made = await second
      .post('/api/circuits')
      .send((await orla.get(`/api/circuits/${(await orla.get('/api/circuits')).body[0].id}`)).body.circuit)
    expect(made.status).toBe(201)
    await orla.delete(`/api/people/${await idOf('orla')}`).expect(409)
    await orla.delete(`/api/people/${await idOf('second')}`).expect(204)
    await second.get('/api/circuits').expect(401)
    await orla.get(`/api/circuits/${made.body.id}`).expect(200)
    await orla.delete('/api/people/00000000-0000-4000-8000-000000000000').expect(404)
  })

  it('take a password of two hundred letters as quickly as any other, while others are answered', async () => {
    const long = 'Xq7 pale lanterns '.repeat(11).slice(0, 192)
    const began = performance.now()
    const asking = orla.post('/api/students').send({ login: 'long', name: 'Long Word', password: long })
    const [made] = await Promise.all([asking, orla.get('/api/circuits').expect(200)])
    expect(made.status).toBe(201)
    expect(performance.now() - began).toBeLessThan(5000)
    await enter('long', long).expect(200)
    await enter('long', `${long.slice(0, 191)}!`).expect(401)
  })

  it('leave no sign-in name and no address anywhere once they are gone', async () => {
    const account = { login: 'traceless', name: 'Trace Less', password: fresh }
    await orla.post('/api/students').send(account).expect(201)
    await enter('traceless', 'not that').expect(401)
    await enter('traceless', fresh).expect(200)
    await orla.delete(`/api/people/${await idOf('traceless')}`).expect(204)
    for (const table of await allTables(school.database))
      for (const row of await rowsOf(school.database, table)) {
        expect(row, table).not.toContain('traceless')
        expect(row, table).not.toContain('Trace Less')
      }
  })

  it('end their other sessions at a sign-in, if so asked, and a student’s last a working day', async () => {
    await enter('maeve', 'beacon-lens-9').expect(200)
    const second = await school.signedIn('maeve', 'beacon-lens-9')
    const asked = await enter('maeve', 'beacon-lens-9').expect(200)
    expect(asked.body.others).toBe(2)
    const third = await school.signedIn('maeve', 'beacon-lens-9')
    await third.delete('/api/sessions').expect(204)
    await third.get('/api/desk').expect(200)
    await second.get('/api/desk').expect(401)
    const hours = async (role: string) =>
      (
        await school.database.query<{ hours: number }>(
          `select max(extract(epoch from s.expires_at - now()))::float8 / 3600 as hours from sessions s join users u on u.id = s.user_id where role = $1`,
          [role],
        )
      )[0]!.hours
    expect(await hours('student')).toBeLessThan(12.1)
    expect(await hours('instructor')).toBeGreaterThan(24)
  })

  it('of students go with their orders; an order alone can be taken back', async () => {
    await orla.post('/api/students').send({ login: 'gone', name: 'Gone Soon', password: fresh }).expect(201)
    const student = await idOf('gone')
    const circuit = (await orla.get('/api/circuits')).body.find((c: { name: string }) =>
      /^Work lamp, street/.test(c.name),
    ).id as string
    const order = {
      circuit,
      students: [student],
      complaint: 'The lamp is dim.',
      faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }],
    }
    const [one, two] = [
      (await orla.post('/api/orders').send(order).expect(201)).body.id as string,
      (await orla.post('/api/orders').send(order).expect(201)).body.id as string,
    ]
    await orla.delete(`/api/orders/${one}`).expect(204)
    await orla.delete(`/api/orders/${one}`).expect(404)
    await orla.get(`/api/orders/${two}/review`).expect(200)
    await orla.delete(`/api/people/${student}`).expect(204)
    await orla.get(`/api/orders/${two}/review`).expect(404)
  })

  it('are slowed one by one: nobody else behind the same address waits', { tags: ['sweep'] }, async () => {
    for (let i = 0; i < 5; i++) await enter('tam', `wrong guess ${i}`).expect(401)
    const waits = await enter('tam', passwords.tam).expect(429)
    expect(waits.body.message).toMatchObject({ code: 'school.waitForAccount' })
    await enter('idris', passwords.idris).expect(200)
    await enter('orla', passwords.orla).expect(200)
    // It is the same for an account that is not there.
    for (let i = 0; i < 5; i++) await enter('no-one', `wrong guess ${i}`).expect(401)
    await enter('no-one', 'wrong once more').expect(429)
    // Nor does another process or a restart begin anew.
    await school.database.query(`update wrong_tries set wrong = 9, last_at = now() where account = 'tam'`)
    const { database, workers } = school
    const other = createApp({ database, workers, logger: pino({ level: 'silent' }) })
    await request(other).post('/api/session').send({ login: 'tam', password: passwords.tam }).expect(429)
    // Once the wait is over a right one goes through, and all is forgotten.
    await passes('tam')
    await enter('tam', passwords.tam).expect(200)
    await enter('tam', 'wrong again').expect(401)
    await enter('tam', passwords.tam).expect(200)
  })

  it('wait twice as long each time', { tags: ['sweep'] }, async () => {
    const waitOf = async () => {
      const answer = await enter('ghost', 'while it waits').expect(429)
      return answer.body.message.params.seconds as number
    }
    for (let i = 0; i < 5; i++) await enter('ghost', `wrong ${i}`)
    const waits = []
    for (let i = 0; i < 4; i++) {
      waits.push(await waitOf())
      await passes('ghost')
      await enter('ghost', `wrong later ${i}`).expect(401)
    }
    expect(waits).toEqual([1, 2, 4, 8])
  })

  it(
    'are not shut by strangers: who is known here, and who is signed in, goes on',
    { tags: ['sweep'] },
    async () => {
      const school = await startSchool({ trustProxy: 1 })
      const from = (address: string) => ({ 'X-Forwarded-For': address })
      const tried = (password: string, address: string, cookie = '') =>
        school
          .visitor()
          .post('/api/session')
          .set({ ...from(address), cookie })
          .send({ login: 'orla', password })
      const first = await tried(passwords.orla, '192.0.2.1').expect(200)
      const cookies = first.headers['set-cookie'] as unknown as string[]
      const device = cookies.find((one) => one.startsWith('brachyon_device='))!.split(';')[0]!
      const signedIn = cookies.find((one) => one.startsWith('brachyon_session='))!.split(';')[0]!
      // A stranger at the same address, as behind a school's proxy, and one elsewhere.
      for (const address of ['192.0.2.1', '192.0.2.66'])
        for (let i = 0; i < 9; i++) await tried(`wrong ${i}`, address)
      // However fast this machine is, they wait for a while.
      await school.database.query('update wrong_tries set wrong = 12, last_at = now()')
      await tried(passwords.orla, '192.0.2.66').expect(429)
      await tried(passwords.orla, '192.0.2.1').expect(429)
      // From anywhere else, and from the browser that has signed in before, the owner goes in.
      await tried(passwords.orla, '192.0.2.7').expect(200)
      await tried(passwords.orla, '192.0.2.1', device).expect(200)
      await school
        .visitor()
        .put('/api/password')
        .set({ cookie: signedIn })
        .send({ current: passwords.orla, password: 'three slow green wheels' })
        .expect(204)
      // A device that somebody made up is none, and one of another account does not help.
      await tried('three slow green wheels', '192.0.2.66', `brachyon_device=${'x'.repeat(43)}`).expect(429)
      // Who guesses at a known browser is slowed there.
      for (let i = 0; i < 5; i++) await tried(`wrong at home ${i}`, '192.0.2.1', device).expect(401)
      await tried('three slow green wheels', '192.0.2.1', device).expect(429)
      await school.close()
    },
  )

  it(
    'of a stranger, four hundred at once, keep nobody out who is elsewhere or known',
    { tags: ['sweep'] },
    async () => {
      const school = await startSchool({ trustProxy: 1 })
      const tried = (login: string, password: string, address: string, cookie = '') =>
        school
          .visitor()
          .post('/api/session')
          .set({ 'X-Forwarded-For': address, cookie })
          .send({ login, password })
      const first = await tried('tam', passwords.tam, '192.0.2.1').expect(200)
      const device = String(first.headers['set-cookie']).match(/brachyon_device=[^;]*/)![0]
      let known: number[] = []
      const swarm = Promise.all(
        Array.from({ length: 400 }, (_, n) => tried(n % 2 ? 'orla' : `nobody-${n}`, `w${n}`, '192.0.2.1')),
      )
      const others = async () => {
        await new Promise((done) => setTimeout(done, 300))
        const all = await Promise.all([
          tried('tam', passwords.tam, '192.0.2.1', device),
          tried('orla', passwords.orla, '192.0.2.7'),
          tried('idris', passwords.idris, '192.0.2.8'),
        ])
        known = all.map(({ status }) => status)
      }
      const [answers] = await Promise.all([swarm, others()])
      const statuses = new Set(answers.map(({ status }) => status))
      expect([...statuses].filter((status) => ![401, 429, 503].includes(status))).toEqual([])
      expect(statuses).toContain(503)
      expect(known).toEqual([200, 200, 200])
      // All that an address may get wrong is used up: the browser that is known goes in.
      await school.database.query(`update request_counts set count = 400 where key = 'sign-in 192.0.2.1'`)
      await tried('idris', passwords.idris, '192.0.2.1').expect(429)
      await tried('idris', passwords.idris, '192.0.2.1').expect(429)
      await tried('tam', passwords.tam, '192.0.2.1', device).expect(200)
      const waits = await school.database.query(`select 1 from sign_ins where outcome = 'waits'`)
      expect(waits.length).toBeLessThan(20)
      await school.close()
    },
  )

  it('of many wrong ones at once, only the first few are looked at', { tags: ['sweep'] }, async () => {
    const all = await Promise.all(Array.from({ length: 20 }, (_, i) => enter('swarm', `wrong ${i}`)))
    expect(all.filter(({ status }) => status === 401)).toHaveLength(5)
    expect(all.filter(({ status }) => status === 429)).toHaveLength(15)
  })

  it('a class that signs in at once is not taken for a guesser', { tags: ['sweep'] }, async () => {
    const all = await Promise.all(
      Array.from({ length: 30 }, (_, i) =>
        i % 2 ? enter('idris', passwords.idris) : enter('orla', passwords.orla),
      ),
    )
    expect(all.map(({ status }) => status)).toEqual(Array(30).fill(200))
    await enter('maeve', 'beacon-lens-9').expect(200)
  })

  it('leave a record of who signed in and who failed to, without a secret', async () => {
    for (let i = 0; i < 5; i++) await enter('recorded', `wrong guess ${i}`).expect(401)
    await school.database.query(
      `update wrong_tries set wrong = 12, last_at = now() where account = 'recorded'`,
    )
    await enter('recorded', 'wrong guess').expect(429)
    const answer = await orla.get('/api/sign-ins').expect(200)
    const record = signInsSchema.parse(answer.body)
    for (const outcome of ['in', 'wrong', 'waits'])
      expect(
        record.some((one) => one.outcome === outcome),
        outcome,
      ).toBe(true)
    expect(record[0]!.address).toMatch(/127\.0\.0\.1|::1/)
    for (const secret of Object.values(passwords)) expect(answer.text).not.toContain(secret)
    expect(answer.text).not.toContain('wrong guess')
  })
})

describe('behind a proxy', () => {
  it('a cookie is for TLS alone where the proxy has it, and the address is the visitor’s', async () => {
    const school = await startSchool({ trustProxy: 1 })
    const enter = () =>
      school
        .visitor()
        .post('/api/session')
        .set({
          'X-Forwarded-Proto': 'https',
          'X-Forwarded-For': '192.0.2.7',
          'X-Forwarded-Host': 'school.test',
        })
        .send({ login: 'orla', password: passwords.orla })
    const ours = await enter().set('Origin', 'https://school.test').expect(200)
    expect(String(ours.headers['set-cookie'])).toMatch(/; Secure/)
    await enter().set('Origin', 'http://school.test').expect(403)
    await enter().set('Origin', 'https://elsewhere.test').expect(403)
    const [row] = await school.database.query<{ address: string }>('select address from sign_ins limit 1')
    expect(row!.address).toBe('192.0.2.7')
    await school.close()
  }, 60_000)

  it('nothing is believed of one that nobody has named', async () => {
    const school = await startSchool()
    const enter = (headers: Record<string, string>) =>
      school.visitor().post('/api/session').set(headers).send({ login: 'orla', password: passwords.orla })
    const forged = await enter({ 'X-Forwarded-Proto': 'https', 'X-Forwarded-For': '192.0.2.7' }).expect(200)
    expect(String(forged.headers['set-cookie'])).not.toMatch(/Secure/)
    await enter({ Origin: 'http://elsewhere.test', 'X-Forwarded-Host': 'elsewhere.test' }).expect(403)
    await enter({ 'Sec-Fetch-Site': 'cross-site' }).expect(403)
    await enter({ 'Sec-Fetch-Site': 'same-origin' }).expect(200)
    const [row] = await school.database.query<{ address: string }>('select address from sign_ins limit 1')
    expect(row!.address).not.toBe('192.0.2.7')
    await school.close()
  }, 60_000)
})
