import { connect, createServer, type Socket } from 'node:net'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Browser, type Page } from '@playwright/test'
import { expectAccessible } from './axe'
import { startServer } from './server'
import { openBench, openDesk, part, plantAndHandOut, quietOf, signIn, signOut } from './story'

/** What stands in front of a server and answers in its place while it is away, as a proxy does: with a page of its own. */
async function proxy(port: number, to: number): Promise<{ url: string; close: () => void }> {
  const sockets = new Set<Socket>()
  const page = '<h1>Bad gateway</h1>'
  const server = createServer((outer) => {
    sockets.add(outer)
    outer.on('error', () => undefined)
    const inner = connect(to, '127.0.0.1')
    inner.on('connect', () => {
      outer.pipe(inner)
      inner.pipe(outer)
    })
    inner.on('error', () => {
      outer.once('data', () =>
        outer.end(
          `HTTP/1.1 502 Bad Gateway\r\nContent-Type: text/html\r\nContent-Length: ${page.length}\r\nConnection: close\r\n\r\n${page}`,
        ),
      )
    })
    inner.on('end', () => outer.end())
    outer.on('close', () => inner.destroy())
  })
  await new Promise<void>((done) => server.listen(port, '127.0.0.1', done))
  return {
    url: `http://127.0.0.1:${port}`,
    close: () => {
      for (const socket of sockets) socket.destroy()
      server.close()
    },
  }
}

async function pageOf(browser: Browser, url: string, who: 'orla' | 'tam'): Promise<Page> {
  const page = await (await browser.newContext({ baseURL: url })).newPage()
  await signIn(page, who)
  return page
}
const errorsOf = (page: Page): string[] => {
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(error.message))
  return errors
}

test('a server that is started anew behind a proxy: the Floor goes on by itself, and a stop reaches the student', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-proxy-'))
  let server = await startServer(4196, folder, true)
  const front = await proxy(4197, 4196)
  const orla = await pageOf(browser, front.url, 'orla')
  const complaint = 'It glows, and no more than that.'
  await openBench(orla)
  await plantAndHandOut(orla, { part: 'L1', fault: /Burnt out/, complaint, student: 'Tam Pellow' })
  const tam = await pageOf(browser, front.url, 'tam')
  await openDesk(tam, complaint)
  await orla.goto('/floor')
  const floor = orla.getByRole('status').filter({ hasText: /^(live|no connection)/ })
  await expect(floor).toHaveText('live')

  await server.kill()
  await expect(floor).toHaveText('no connection: trying again')
  await expect(tam.getByText('No connection to the school')).toBeVisible()
  // Long enough for a browser to have given its streams up for good.
  await orla.waitForTimeout(4000)
  server = await startServer(4196, folder, true)
  await expect(floor).toHaveText('live')
  await expect(tam.getByText('No connection to the school')).toHaveCount(0)
  const station = orla.getByRole('listitem').filter({ hasText: 'Tam Pellow' }).first()
  await station.getByRole('button', { name: /Stop/ }).click()
  await orla
    .getByRole('textbox', { name: /reason/i })
    .first()
    .fill('Hands off the battery')
  await orla.keyboard.press('Enter')
  await expect(tam.getByRole('alert').filter({ hasText: 'Hands off the battery' })).toBeVisible({
    timeout: 8000,
  })

  // With its stream shut off and only requests getting through, the Desk still hears of it within seconds.
  await tam.route('**/live', (route) => route.abort())
  await tam.reload()
  await expect(tam.getByText('No connection to the school')).toBeVisible()
  await station.getByRole('button', { name: 'Resume work' }).first().click()
  await expect(tam.getByRole('alert').filter({ hasText: 'Hands off the battery' })).toHaveCount(0, {
    timeout: 10_000,
  })

  await server.kill()
  front.close()
  await orla.context().close()
  await tam.context().close()
  rmSync(folder, { recursive: true, force: true })
})

test('a session that has ended elsewhere: back through the sign-in, with the edits that were made meanwhile', async ({
  page,
  playwright,
  baseURL,
}) => {
  await signIn(page, 'orla')
  await openBench(page)
  const address = page.url()
  // This session alone is ended, from elsewhere: the page knows nothing of it.
  const elsewhere = await playwright.request.newContext({
    baseURL: baseURL!,
    storageState: await page.context().storageState(),
  })
  expect((await elsewhere.delete('/api/session')).status()).toBe(204)
  // Edited without a session: never called saved.
  await part(page, 'L1').click()
  const name = page.getByRole('textbox', { name: 'Name', exact: true })
  await name.fill('rear lamp')
  await name.press('Enter')
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expect(page.getByText('Your session has ended')).toBeVisible()
  await expectAccessible(page)
  // Over a reload too.
  await page.reload()
  await page.getByLabel('Sign-in name').fill('orla')
  await page.getByLabel('Password').fill('gritter-amber-7')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page).toHaveURL(address)
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  const id = address.split('/').pop()!
  await expect
    .poll(async () => JSON.stringify(await (await page.request.get(`/api/circuits/${id}`)).json()))
    .toContain('rear lamp')
  await page.getByRole('button', { name: /Undo/ }).first().click()
  await elsewhere.dispose()
})

test('signing out of Bench, Plant and Sheet leaves nothing behind and throws nothing', async ({ page }) => {
  const errors = errorsOf(page)
  const quiet = quietOf(page)
  for (const place of ['Bench', 'Plant', 'Sheet']) {
    await signIn(page, 'orla')
    await openBench(page)
    if (place !== 'Bench') await page.getByRole('link', { name: place, exact: true }).click()
    await quiet()
    await signOut(page)
  }
  expect(errors).toEqual([])
})

test('what cannot be shown says what happened and what to do', async ({ page }) => {
  const errors = errorsOf(page)
  await test.step('a server that is not there yet: it is tried again by itself', async () => {
    let away = true
    await page.route('**/api/session', (route) =>
      away
        ? route.fulfill({ status: 503, contentType: 'text/html', body: '<h1>Maintenance</h1>' })
        : route.continue(),
    )
    await page.goto('/')
    await expect(page.getByRole('alert')).toContainText('does not respond')
    await expectAccessible(page)
    away = false
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible({ timeout: 15_000 })
    await page.unroute('**/api/session')
  })
  await signIn(page, 'orla')
  await test.step('a day, a lesson’s demonstration, a circuit, an order that are gone', async () => {
    const gone = '00000000-0000-4000-8000-00000000dead'
    for (const path of ['days', 'show/lesson', 'show', 'bench', 'plant', 'sheet', 'desk', 'review']) {
      await page.goto(`/${path}/${gone}`)
      await expect(page.getByRole('alert'), path).toContainText('no longer exists')
      await expect(page.getByRole('button', { name: 'Go to Today' })).toBeVisible()
    }
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Go to Today' }).click()
    await expect(page.getByRole('heading', { name: 'To review', exact: true })).toBeVisible()
  })
  await test.step('a step of a place that cannot be had: said in its stead, and had when it is tried again', async () => {
    await openBench(page)
    await page.getByRole('link', { name: 'Plant', exact: true }).click()
    await expect(page.getByRole('region', { name: 'Fault' }).first()).toBeVisible()
    let broken = true
    await page.route('**/api/meters', (route) =>
      broken ? route.fulfill({ status: 500, body: '{}' }) : route.continue(),
    )
    await page.keyboard.press('3')
    const pane = page.locator('.pane')
    await expect(pane.getByRole('alert')).toBeVisible()
    await expectAccessible(page)
    broken = false
    await pane.getByRole('button', { name: 'Try again' }).click()
    await expect(page.getByRole('button', { name: 'Hand out the work order' })).toBeVisible()
    await page.unroute('**/api/meters')
  })
  await test.step('a part of the page that an upgrade has taken away: the newer page is loaded', async () => {
    let gone = true
    await page.route(/assets\/Ledger-.*\.js/, (route) =>
      gone ? route.fulfill({ status: 404, body: 'gone' }) : route.continue(),
    )
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'To review', exact: true })).toBeVisible()
    await page.evaluate(() => ((window as unknown as { old: boolean }).old = true))
    page.once('framenavigated', () => (gone = false))
    await page.getByRole('link', { name: 'Ledger' }).click()
    await expect(page.getByRole('heading', { name: 'Ledger' })).toBeVisible()
    expect(await page.evaluate(() => 'old' in window)).toBe(false)
  })
  await test.step('a newer version: said, and loaded at the next navigation', async () => {
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'To review', exact: true })).toBeVisible()
    await page.evaluate(() => ((window as unknown as { old: boolean }).old = true))
    await page.route('**/api/lessons', async (route) => {
      const answer = await route.fetch()
      await route.fulfill({ response: answer, headers: { ...answer.headers(), 'x-brachyon-build': 'newer' } })
    })
    await page.getByRole('link', { name: 'Lessons' }).click()
    await expect(page.getByText('A newer version of this page is available.')).toBeVisible()
    await page.getByRole('link', { name: 'Classes' }).click()
    await expect(page.getByRole('heading', { name: 'Classes' })).toBeVisible()
    expect(await page.evaluate(() => 'old' in window)).toBe(false)
  })
  expect(errors).toEqual([])
})

test('two fingers zoom the drawing, one moves it', async ({ browser, baseURL }) => {
  const context = await browser.newContext({
    baseURL: baseURL!,
    hasTouch: true,
    viewport: { width: 1024, height: 768 },
  })
  const page = await context.newPage()
  await signIn(page, 'orla')
  await openBench(page)
  const box = (await part(page, 'L1').boundingBox())!
  const frame = (await page.getByRole('group', { name: /^Schematic/ }).boundingBox())!
  const middle = { x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 }
  const devtools = await context.newCDPSession(page)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', ...points: { x: number; y: number }[]) =>
    devtools.send('Input.dispatchTouchEvent', { type, touchPoints: points.map((p, id) => ({ ...p, id })) })
  const fingers = (apart: number) => [
    { x: middle.x - apart, y: middle.y },
    { x: middle.x + apart, y: middle.y },
  ]
  await touch('touchStart', ...fingers(40))
  for (const apart of [50, 65, 80, 100, 120]) await touch('touchMove', ...fingers(apart))
  await touch('touchEnd')
  await expect
    .poll(async () => (await part(page, 'L1').boundingBox())!.width)
    .toBeGreaterThan(1.8 * box.width)
  const zoomed = (await part(page, 'L1').boundingBox())!
  await touch('touchStart', middle)
  for (const by of [10, 30, 60]) await touch('touchMove', { x: middle.x + by, y: middle.y })
  await touch('touchEnd')
  await expect.poll(async () => (await part(page, 'L1').boundingBox())!.x).toBeGreaterThan(zoomed.x + 30)
  expect((await part(page, 'L1').boundingBox())!.width).toBeCloseTo(zoomed.width, 0)
  await context.close()
})
