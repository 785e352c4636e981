import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Browser, type BrowserContext, type Page } from '@playwright/test'
import { choose } from './choose'
import { expectAccessible } from './axe'
import { startServer, type Running } from './server'

let server: Running
const port = 4193
const folder = mkdtempSync(join(tmpdir(), 'brachyon-class-'))
test.beforeAll(async () => {
  server = await startServer(port, folder, true)
})
test.afterAll(() => server.kill())

async function enter(browser: Browser, login: string, password: string): Promise<Page> {
  const context: BrowserContext = await browser.newContext({ baseURL: server.url })
  const page = await context.newPage()
  await page.goto('/sign-in')
  await page.getByLabel('Sign-in name').fill(login)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page).toHaveURL(/\/(account)?$/)
  return page
}

interface Order {
  readonly id: string
  readonly on: object
  readonly load: string
}
/** What a student’s own page does when something is pressed, in one go. */
async function orderOf(page: Page): Promise<Order> {
  const [first] = ((await (await page.request.get('/api/desk')).json()) as { rows: { id: string }[] }).rows
  const desk = (await (await page.request.get(`/api/desk/${first!.id}`)).json()) as {
    circuit: { states: { controls: object }[]; parts: { id: string; kind: string }[] }
  }
  const on = desk.circuit.states.find(({ controls }) => Object.keys(controls).length)!
  return {
    id: first!.id,
    on: { controls: on.controls, detached: [] },
    load: desk.circuit.parts.find((p) => ['lamp', 'motor', 'starter'].includes(p.kind))!.id,
  }
}
const step = async (page: Page, id: string, action: object) => {
  const answer = await page.request.post(`/api/desk/${id}/steps`, {
    data: { key: crypto.randomUUID(), action },
  })
  expect(answer.status(), await answer.text()).toBe(200)
}
const volts = (on: object, settings = {}) => ({
  type: 'test',
  arrangement: on,
  instrument: 'volts',
  settings,
  held: { type: 'leads', red: 'B1+', black: 'B1-' },
  prediction: { type: 'value', value: 12.4 },
})

test('a lab day from an empty plan to the records: roster, rotation, Floor, a word, a stop, a lost connection, a restarted server', async ({
  browser,
}) => {
  const orla = await enter(browser, 'orla', 'gritter-amber-7')
  let nela = ''

  await test.step('a roster is looked at, then taken in', async () => {
    await orla.getByRole('link', { name: 'Classes' }).click()
    await orla.getByText('Import roster', { exact: true }).click()
    await orla.locator('.choose-file input').setInputFiles({
      name: 'list.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('First name,Last name,Class\nNela,Farrow,Thursday\n,,Thursday\n'),
    })
    await expect(orla.getByText('1 person added, 0 renamed')).toBeVisible()
    await expect(orla.getByText(/list\.csv 3: Row 3: no name/)).toBeVisible()
    await expectAccessible(orla)
    let text = ''
    await orla.route('**/api/roster', async (route) => {
      const answer = await route.fetch()
      text = await answer.text()
      await route.fulfill({ response: answer })
    })
    await orla.getByRole('button', { name: 'Import', exact: true }).click()
    await expect(orla.getByRole('button', { name: 'Print sign-in slips (PDF)' })).toBeVisible()
    const { answer } = JSON.parse(text.trim().split('\n').at(-1)!) as {
      answer: { added: { password: string }[] }
    }
    nela = answer.added[0]!.password
    await orla.getByText('Classes', { exact: true }).last().click()
    await orla.getByRole('button', { name: /^Thursday/ }).click()
    await expect(orla.getByRole('region', { name: 'Thursday' })).toContainText('Nela Farrow')
    await orla.getByRole('switch', { name: 'You teach Thursday' }).click()
    await expect(orla.getByText('you teach it', { exact: false }).first()).toBeAttached()
    await expectAccessible(orla)
    await orla.keyboard.press('Escape')
  })

  await test.step('a day is planned, turned, spoilt by hand, and turned again', async () => {
    await orla.getByRole('link', { name: 'Lessons' }).click()
    await expect(orla.getByRole('rowheader')).toHaveCount(8)
    await expectAccessible(orla)
    await orla.getByRole('link', { name: 'Lab days' }).click()
    await orla.getByLabel('Name', { exact: true }).fill('Thursday group')
    await expectAccessible(orla)
    await orla.getByRole('button', { name: 'Create lab day' }).click()
    await orla.getByRole('button', { name: 'Plan rotation' }).click()
    await expect(orla.getByText('No rule is broken')).toBeVisible()
    const plan = orla.getByRole('table', { name: 'Who works where' })
    const places = plan.getByRole('row').nth(1).getByRole('button')
    const textOf = async (i: number) => (await places.nth(i).locator('b').textContent()) ?? ''
    const [first, second] = [await textOf(0), await textOf(1)]
    await places.nth(0).click()
    await places.nth(1).click()
    await expect(places.nth(0)).toContainText(second)
    await expect(orla.getByRole('list', { name: 'Broken rules' })).toContainText('two students')
    await expectAccessible(orla)
    await places.nth(0).dragTo(places.nth(1))
    await expect(places.nth(0)).toContainText(first)
    await expect(orla.getByRole('list', { name: 'Broken rules' })).toHaveCount(0)
    await plan.getByRole('button', { name: 'Hand out' }).first().click()
    await expect(orla.getByText('Round 1 handed out: 4 orders.')).toBeVisible()
    const calendar = orla.waitForEvent('download')
    await orla.getByRole('button', { name: 'Print and export' }).click()
    await orla.getByText('Calendar file (iCalendar)').click()
    expect((await calendar).suggestedFilename()).toBe('thursday-group.ics')
    const cards = orla.waitForEvent('download')
    await orla.getByRole('button', { name: 'Print and export' }).click()
    await orla.getByText('Sealed cards').click()
    expect((await cards).suggestedFilename()).toMatch(/sealed-cards\.pdf$/)
  })

  await test.step('a phone signs in with the card of a bench and the code of the day', async () => {
    const word = (await orla.locator('.top b.reading').textContent())!
    const phone = await (
      await browser.newContext({ baseURL: server.url, viewport: { width: 390, height: 780 } })
    ).newPage()
    await phone.goto(`/card/${orla.url().split('/').pop()}/1`)
    await phone.getByLabel('Code of the day').fill('amber-anvil-1')
    await phone.getByRole('button', { name: 'Continue' }).click()
    await expect(phone.getByRole('alert')).toContainText('not the code of the day')
    await expectAccessible(phone)
    await phone.getByLabel('Code of the day').fill(word)
    await phone.getByRole('button', { name: 'Continue' }).click()
    await expect(phone.getByText('Who are you?')).toBeVisible()
    const someone = phone.getByRole('button').first()
    const name = (await someone.textContent())!.trim()
    await someone.click()
    await phone.getByLabel('Your bench code').fill('123456')
    await phone.getByRole('button', { name: 'Sign in' }).click()
    await expect(phone.getByRole('alert')).toContainText('not your bench code')
    await expectAccessible(phone)
    // Without a code the instructor says on the Floor who it is.
    await phone.getByRole('button', { name: 'I have no code' }).click()
    await expect(phone.getByText('Waiting for your instructor')).toBeVisible()
    await orla.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Floor' }).click()
    await expect(orla.getByText(`${name} wants to sign in at Bench 1`)).toBeVisible()
    await expectAccessible(orla)
    await orla.getByRole('button', { name: `Confirm ${name}` }).click()
    await expect(phone.getByText('You are signed in at Bench 1')).toBeVisible()
    await expect(orla.getByText(`${name} wants to sign in`)).toHaveCount(0)
    await expectAccessible(phone)
    await phone.context().close()
  })

  const tam = await enter(browser, 'tam', 'sweeper-brush-3')
  // Idris has work of his own at a station with a meter: his bench is looked at only.
  const maeve = await enter(browser, 'maeve', 'beacon-lens-9')
  const fourth = await enter(browser, 'nela.farrow', nela)
  const station = (name: string) =>
    orla
      .getByRole('listitem')
      .filter({ hasText: name })
      .filter({ hasText: /Bench \d/ })

  await test.step('four are at work: the Floor shows each, what is unsafe loudly', async () => {
    await orla.getByRole('link', { name: 'Floor' }).first().click()
    await expect(orla.getByText('live', { exact: true })).toBeVisible()
    await expect(station('Idris Quill')).toContainText('not begun')
    // A password that somebody else made up is changed before any work.
    await expect(fourth.getByText('Someone else chose your password')).toBeVisible()
    await fourth.getByLabel('Current password').fill(nela)
    await fourth.getByLabel('New password').fill('eleven dry oak ledges')
    await fourth.getByRole('button', { name: 'Change password' }).click()
    await expect(fourth.getByRole('status').filter({ hasText: 'Changed.' })).toBeVisible()
    for (const page of [tam, fourth, maeve]) {
      const { id, on } = await orderOf(page)
      await step(page, id, { type: 'operate', arrangement: on, says: 'asComplained' })
    }
    const { id, on } = await orderOf(tam)
    await step(tam, id, volts(on))
    await expect(station('Tam Pellow')).toContainText('1 reading')
    await expect(station('Tam Pellow')).toContainText('Volts')
    const other = await orderOf(fourth)
    await step(fourth, other.id, volts(other.on, { jack: 'amps' }))
    await expect(station('Nela Farrow')).toContainText('unsafe')
    // Who needs somebody stands first.
    await expect(orla.getByRole('listitem').first()).toContainText('Nela Farrow')
    await expectAccessible(orla)
  })

  await test.step('a word and a stop arrive at the Desk, and the stop holds', async () => {
    const { id, on } = await orderOf(fourth)
    await fourth.goto(`/desk/${id}`)
    await station('Nela Farrow').getByRole('button', { name: 'Message …' }).click()
    await orla.getByLabel('Message', { exact: true }).fill('Where is the red lead plugged in?')
    await orla.getByRole('button', { name: 'Send', exact: true }).click()
    await expect(fourth.getByText('“Where is the red lead plugged in?”')).toBeVisible()
    await station('Nela Farrow').getByRole('button', { name: 'Stop …' }).click()
    await orla.getByLabel('Reason for stopping').fill('Leads off, I am coming.')
    await orla.getByRole('button', { name: 'Stop the work' }).click()
    await expect(fourth.getByRole('alert')).toContainText('Leads off, I am coming.')
    await expectAccessible(fourth)
    const refused = await fourth.request.post(`/api/desk/${id}/steps`, {
      data: { key: crypto.randomUUID(), action: { type: 'operate', arrangement: on } },
    })
    expect(refused.status()).toBe(409)
    await station('Nela Farrow').getByRole('button', { name: 'Resume work' }).click()
    await expect(fourth.getByRole('alert')).toHaveCount(0)
  })

  await test.step('a Desk is watched as it is worked: on the wall without a name, and in its review', async () => {
    const { id, on } = await orderOf(tam)
    const wall = await orla.context().newPage()
    await wall.goto(`/show/desk/${id}`)
    await expect(wall.getByText('2 steps')).toBeVisible()
    await step(tam, id, volts(on))
    await expect(wall.getByText('3 steps')).toBeVisible()
    await expect(wall.locator('main')).not.toContainText('Tam')
    await expectAccessible(wall)
    await wall.goto(`/review/${id}`)
    const steps = wall.getByRole('region', { name: 'Steps and marks' })
    await expect(steps).toContainText('Reading 2')
    await step(tam, id, { type: 'infer', struck: [], ringed: [], note: '' })
    await expect(steps).toContainText('Nothing struck out')
    await wall.close()
  })

  await test.step('a lost connection and a killed server lose nothing of what the Floor shows', async () => {
    const { id, on } = await orderOf(maeve)
    await orla.context().setOffline(true)
    await step(maeve, id, volts(on))
    await orla.context().setOffline(false)
    await expect(station('Maeve Torrin')).toContainText('1 reading')
    await server.kill()
    server = await startServer(port, folder, true)
    await expect(orla.getByText('live', { exact: true })).toBeVisible({ timeout: 40_000 })
    await step(maeve, id, { type: 'infer', struck: [], ringed: [], note: '' })
    await step(maeve, id, volts(on))
    await expect(station('Maeve Torrin')).toContainText('2 readings')
  })

  await test.step('the projector goes from the state to the question to the reading, by one key, in letters of 24 px and more', async () => {
    await orla.setViewportSize({ width: 1920, height: 1080 })
    await orla.goto('/circuits')
    await orla.getByRole('link', { name: 'Work lamp, street sweeper', exact: true }).first().click()
    await orla.getByRole('link', { name: 'Plant', exact: true }).click()
    await choose(orla.getByRole('combobox', { name: 'Place' }), 'X2')
    await orla.getByRole('button', { name: /High resistance/ }).click()
    await expect(orla.locator('.save')).toHaveText('saved')
    await orla.getByRole('link', { name: 'Show', exact: true }).click()
    await expect(orla.getByRole('button', { name: 'Ask', exact: true })).toBeVisible()
    await orla.keyboard.press('Space')
    await expect(orla.getByText('What does B1+ read?')).toBeVisible()
    await orla.keyboard.press('Space')
    await expect(orla.getByText(/healthy 12\.\d+.V/)).toBeVisible()
    const small = await orla.evaluate(() =>
      [...document.querySelectorAll('.show *')]
        .filter((e) => [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent?.trim()))
        .filter((e) => !(e instanceof HTMLOptionElement) && e.getBoundingClientRect().width > 2)
        .map((e) => {
          const size = parseFloat(getComputedStyle(e).fontSize)
          const svg = (e as SVGElement).ownerSVGElement
          return { text: e.textContent, size: svg ? size * (svg.getScreenCTM()?.a ?? 1) : size }
        })
        .filter(({ size }) => size < 24),
    )
    expect(small).toEqual([])
    await expectAccessible(orla)
    await orla.setViewportSize({ width: 1280, height: 800 })
  })

  await test.step('what is finished is in the records', async () => {
    await orla.goto('/floor')
    const { id, load } = await orderOf(maeve)
    await step(maeve, id, { type: 'conclude', piece: load, kind: 'open', sure: 60 })
    await maeve.request.post(`/api/desk/${id}/finish`)
    await expect(station('Maeve Torrin')).toContainText('to review')
    await orla.getByRole('link', { name: 'Ledger' }).click()
    const row = orla.getByRole('row', { name: /Maeve Torrin/ })
    await expect(row.getByRole('cell').first()).toHaveText(/^\d+$/)
    await expectAccessible(orla)
    await orla.getByRole('button', { name: 'Maeve Torrin' }).click()
    await expect(orla.getByRole('region', { name: 'One student’s course' })).toContainText('not found')
    await expectAccessible(orla)
    await orla.keyboard.press('Escape')
    const table = orla.waitForEvent('download')
    await orla.getByRole('button', { name: 'Export', exact: true }).click()
    await orla.getByText('Skills (CSV)').click()
    expect((await table).suggestedFilename()).toBe('class-skills.csv')
    await orla.getByRole('group', { name: 'Whose work' }).locator('.classes').click()
    await orla.getByText(/^Thursday \(1\)$/).click()
    await orla.keyboard.press('Escape')
    await expect(row).toHaveCount(0)
    await expect(orla.getByRole('row', { name: /Nela Farrow/ })).toBeVisible()
    for (const [button, name] of [
      ['Marks (CSV)', 'marks.csv'],
      ['Report (PDF)', 'report-thursday.pdf'],
    ] as const) {
      const file = orla.waitForEvent('download')
      await orla.getByRole('button', { name: 'Export', exact: true }).click()
      await orla.getByText(button).click()
      expect((await file).suggestedFilename()).toBe(name)
    }
  })

  await test.step('every figure of the records opens the attempts behind it', async () => {
    // Of everybody again.
    await orla.getByRole('group', { name: 'Whose work' }).locator('.classes').click()
    await orla
      .getByText(/^Thursday \(1\)$/)
      .last()
      .click()
    await orla.keyboard.press('Escape')
    await orla.getByText('Faults', { exact: true }).click()
    await orla.getByRole('table', { name: 'Faults' }).getByRole('button').first().click()
    const behind = orla.getByRole('dialog').getByRole('table', { name: 'Attempts' })
    await expect(behind.getByRole('row')).not.toHaveCount(1)
    await expectAccessible(orla)
    await behind.getByRole('link').first().click()
    await expect(orla.getByRole('region', { name: 'Steps and marks' })).toBeVisible()
  })
})
