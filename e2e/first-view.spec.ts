import { expect, test, type Page } from '@playwright/test'
import { openBench, people, plantAndHandOut, quietOf, signIn } from './story'

/** Bytes over the wire as the browser counts them, nothing from its cache, and the scripts that came. */
async function listen(page: Page) {
  const wire = { bytes: 0, scripts: new Set<string>() }
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Network.enable')
  await cdp.send('Network.setCacheDisabled', { cacheDisabled: true })
  cdp.on('Network.loadingFinished', ({ encodedDataLength }) => (wire.bytes += encodedDataLength))
  cdp.on('Network.responseReceived', ({ response }) => {
    if (/\.js$/.test(response.url)) wire.scripts.add(response.url)
  })
  return wire
}

/** The engine is known by a value of one of its parts, which no message names. */
async function bringsEngine(page: Page, scripts: ReadonlySet<string>): Promise<string[]> {
  const engine: string[] = []
  for (const url of scripts) {
    const text = await (await page.request.get(url)).text()
    if (/signalPullOhms/.test(text)) engine.push(url)
  }
  return engine
}

test('a first view is light on the wire, and signing in brings no circuit engine', async ({ page }) => {
  const wire = await listen(page)
  const quiet = quietOf(page)
  await page.goto('/sign-in')
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await quiet()
  expect(await bringsEngine(page, wire.scripts)).toEqual([])
  console.log(`sign-in: ${Math.round(wire.bytes / 1000)} kB`)
  expect(wire.bytes).toBeLessThan(300_000)
  expect(wire.bytes).toBeGreaterThan(20_000)
  // Nor does a list of work orders or circuits: the engine comes with the first circuit that is opened.
  for (const who of ['tam', 'orla'] as const) {
    await page.request.delete('/api/session')
    await page.request.post('/api/session', { data: people[who] })
    wire.bytes = 0
    wire.scripts.clear()
    await page.goto('/')
    await expect(page.getByRole('button', { name: 'Sign out' })).toBeVisible()
    await quiet()
    console.log(`Today of ${who}: ${Math.round(wire.bytes / 1000)} kB`)
    expect(await bringsEngine(page, wire.scripts)).toEqual([])
  }
})

/** What a place brings that is not waited for: charts are drawn after the numbers, and text stands before its face is there. */
const comesAfter = /\/assets\/(Chart-.*|.*\.woff2)$/

test('each further place is light on the wire', async ({ page }) => {
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Network.enable')
  await cdp.send('Network.setCacheDisabled', { cacheDisabled: true })
  const addresses = new Map<string, string>()
  let wire = { waited: 0, after: 0 }
  cdp.on('Network.responseReceived', ({ requestId, response }) => addresses.set(requestId, response.url))
  /** What Today brings: on a slow machine some of it is still on its way when the next place is opened. */
  const today = new Set<string>()
  let learning = true
  cdp.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    const address = addresses.get(requestId) ?? ''
    if (learning) today.add(address)
    else if (!today.has(address)) wire[comesAfter.test(address) ? 'after' : 'waited'] += encodedDataLength
  })
  const quiet = quietOf(page)
  await page.request.post('/api/session', { data: people.orla })
  const circuits = (await (await page.request.get('/api/circuits')).json()) as { id: string }[]
  const one = circuits[0]!.id
  const names = ['floor', 'lessons', 'days', 'classes', 'ledger', 'exams', 'drills', 'rubric']
  const more = ['handbook', 'circuits', 'account', `bench/${one}`, `plant/${one}`, `sheet/${one}`]
  const home = async () => {
    learning = true
    await page.goto('/')
    await expect(page.getByRole('button', { name: 'Sign out' })).toBeVisible()
    await quiet()
  }
  await home()
  await page.waitForTimeout(2000)
  for (const place of [...names, ...more]) {
    await home()
    learning = false
    wire = { waited: 0, after: 0 }
    await page.evaluate((to) => {
      type App = { config: { globalProperties: { $router: { push(to: string): Promise<unknown> } } } }
      return (
        document.querySelector('#app') as unknown as { __vue_app__: App }
      ).__vue_app__.config.globalProperties.$router.push(to)
    }, `/${place}`)
    await quiet()
    const { waited, after } = wire
    console.log(`${place}: ${Math.round(waited / 1000)} kB, ${Math.round(after / 1000)} kB after it`)
    expect(waited, place).toBeLessThan(200_000)
    expect(waited, place).toBeGreaterThan(2_000)
  }
})

test('a place that is being prepared says so at once', async ({ page }) => {
  await signIn(page, 'orla')
  await page.route('**/assets/Bench-*.js', async (route) => {
    await new Promise((done) => setTimeout(done, 1500))
    await route.continue()
  })
  await page.getByRole('link', { name: 'Circuits', exact: true }).click()
  await page.getByRole('link', { name: 'Work lamp, street sweeper', exact: true }).click()
  const pressed = Date.now()
  await page.getByText('Preparing …').first().waitFor({ state: 'attached' })
  const said = Date.now() - pressed
  console.log(`said after ${said} ms`)
  expect(said).toBeLessThan(700)
  await expect(page.getByRole('group', { name: /Schematic/ })).toBeVisible()
  await expect(page.getByText('Preparing …')).toHaveCount(0)
})

test('signing out leaves nothing of what was planted in the page', async ({ page }) => {
  await signIn(page, 'orla')
  await openBench(page)
  await plantAndHandOut(page, {
    part: 'X2',
    fault: /Corroded/,
    severity: '2.468',
    complaint: 'It flickers over bumps.',
    student: 'Maeve Torrin',
  })
  const inMemory = () =>
    page.evaluate(() => {
      const root = document.querySelector('#app') as unknown as {
        __vue_app__: { config: { globalProperties: { $pinia: { state: { value: unknown } } } } }
      }
      return JSON.stringify(root.__vue_app__.config.globalProperties.$pinia.state.value)
    })
  expect(await inMemory()).toContain('2.468')
  await page.evaluate(() => Reflect.set(window, 'mark', 1))
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  expect(await inMemory()).not.toContain('2.468')
  expect(await page.evaluate(() => Reflect.get(window, 'mark') as unknown)).toBeUndefined()
})

test('a script is sent packed as the browser can take it, the same to all, and kept for good', async ({
  page,
}) => {
  const script = (await (await page.request.get('/')).text()).match(/\/assets\/[^"]+\.js/)![0]
  const sent: [string, number][] = []
  const texts = new Set<string>()
  for (const takes of ['gzip, deflate, br', 'gzip, deflate', 'identity']) {
    const answer = await page.request.get(script, { headers: { 'accept-encoding': takes } })
    const { 'content-encoding': packed = 'none', 'content-length': length, ...head } = answer.headers()
    sent.push([packed, Number(length)])
    texts.add(await answer.text())
    expect(head).toMatchObject({
      'content-type': expect.stringMatching(/^text\/javascript/),
      'cache-control': 'public, max-age=31536000, immutable',
      'x-content-type-options': 'nosniff',
      vary: 'Accept-Encoding',
    })
  }
  expect(texts.size).toBe(1)
  expect(sent.map(([packed]) => packed)).toEqual(['br', 'gzip', 'none'])
  expect(sent[0]![1]).toBeLessThan(sent[1]![1])
  expect(sent[1]![1]).toBeLessThan(sent[2]![1])
})
