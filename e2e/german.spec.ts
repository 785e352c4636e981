import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './axe'
import { people } from './story'
import { interfaceTexts } from '../src/web/words/de/interface'
import { trade } from '../src/web/words/de/trade'

/** What would stand in English where somebody forgot it; names that a school gives its own things are not ours. */
const english = new Set(
  Object.entries({ ...trade, ...interfaceTexts })
    .filter(([text, said]) => text !== said && text.length > 3 && !text.includes('{'))
    .map(([text]) => text),
)

const sentences = [...english].filter((text) => text.length > 12 && text.includes(' '))
/** Names that the demo and other stories give their own circuits and tags. */
const ownNames = new Set(['breaker', 'New circuit', 'Lab day'])
/** Names of the demo's circuits and lessons, which stand inside longer texts. */
const ownTitles = [
  'Key-off drain, van',
  '4 Modules and sensors',
  '5 It does not charge',
  '4  Modules and sensors',
]

async function signInGerman(page: Page, who: keyof typeof people) {
  await page.goto('/sign-in')
  await page.getByLabel(/Language|Sprache/).selectOption('de')
  await expect(page.getByRole('heading', { name: 'Anmelden' })).toBeVisible()
  await page.getByLabel('Anmeldename').fill(people[who].login)
  await page.getByLabel('Passwort').fill(people[who].password)
  await page.getByRole('button', { name: 'Anmelden' }).click()
  await expect(page.getByRole('button', { name: 'Abmelden' })).toBeVisible()
}

/** Texts of the page that are English ones of ours, and what sticks out of it. */
async function look(page: Page) {
  await expect(page.locator('main')).not.toHaveText('')
  await page.waitForLoadState('networkidle')
  const texts = await page.evaluate(() => {
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    const found: string[] = []
    while (walker.nextNode()) {
      const text = walker.currentNode.textContent?.trim() ?? ''
      if (text && !walker.currentNode.parentElement?.closest('[lang=en]')) found.push(text)
    }
    for (const one of document.querySelectorAll('[aria-label], [placeholder], [title]'))
      for (const name of ['aria-label', 'placeholder', 'title']) {
        const text = one.getAttribute(name)
        if (text) found.push(text)
      }
    return found
  })
  const sideways = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  const cut = await page.evaluate(() => {
    const nav = document.querySelector('header nav')
    return nav ? nav.scrollWidth - nav.clientWidth : 0
  })
  // A sentence of ours may stand inside a longer text: what a part does, behind its name.
  const isEnglish = (text: string) =>
    (english.has(text) && !ownNames.has(text)) || sentences.some((one) => text.includes(one))
  const without = (text: string) => ownTitles.reduce((rest, title) => rest.replaceAll(title, ''), text)
  return { left: texts.filter((text) => isEnglish(without(text))), sideways, cut }
}

test('German: every place at two sizes, nothing of ours left in English, nothing sticks out', async ({
  page,
}) => {
  test.slow()
  await signInGerman(page, 'orla')
  const list = (await (await page.request.get('/api/circuits')).json()) as { id: string; name: string }[]
  const { id } = list.find(({ name }) => name === 'Cooling fan by relay, van')!
  const places = [
    '/',
    `/bench/${id}`,
    `/plant/${id}`,
    `/sheet/${id}`,
    '/lessons',
    '/classes',
    '/days',
    '/floor',
    '/ledger',
    '/rubric',
    '/account',
    '/handbook/relaySocket',
    '/handbook/limits',
    '/handbook/wireDrop',
    '/handbook/rule-zeroIsNotPerfect',
    `/show/${id}`,
  ]
  for (const size of [
    { width: 1280, height: 800 },
    { width: 1024, height: 768 },
  ]) {
    await page.setViewportSize(size)
    for (const place of places) {
      await page.goto(place)
      const { left, sideways, cut } = await look(page)
      expect.soft(left, `${place} at ${size.width}`).toEqual([])
      expect.soft(sideways, `${place} at ${size.width} is as wide as the window`).toBeLessThanOrEqual(0)
      if (size.width === 1280) expect.soft(cut, `bar of places on ${place}`).toBeLessThanOrEqual(1)
    }
  }
  await page.goto(`/bench/${id}`)
  await expect(page.getByRole('cell', { name: 'F1 Schmelzleiter' })).toBeVisible()
  await expect(page.getByText(/verliert \d+\s?mV, innerhalb von/)).toBeVisible()
  await expectAccessible(page)
})

test('German is the account’s: it comes with whoever signs in, and goes with them', async ({
  page,
  browser,
}) => {
  await signInGerman(page, 'maeve')
  await page.goto('/account')
  await page.getByLabel('Sprache').selectOption('en')
  await expect(page.getByLabel('Language')).toBeVisible()
  await page.getByLabel('Language').selectOption('de')
  await expect(page.getByLabel('Sprache')).toBeVisible()
  const context = await browser.newContext({ locale: 'en-GB' })
  const other = await context.newPage()
  await other.goto('/sign-in')
  await other.getByLabel('Sign-in name').fill(people.maeve.login)
  await other.getByLabel('Password').fill(people.maeve.password)
  await other.getByRole('button', { name: 'Sign in' }).click()
  await expect(other.getByRole('button', { name: 'Abmelden' })).toBeVisible()
  await expect(other.locator('html')).toHaveAttribute('lang', 'de')
  await context.close()
  // Other stories read English.
  await page.getByLabel('Sprache').selectOption('en')
  await expect(page.getByLabel('Language')).toBeVisible()
})

test('German numbers go in with a comma, and come out with one', async ({ page }) => {
  await signInGerman(page, 'tam')
  await page.goto('/handbook/wireDrop')
  const entry = page.getByRole('article', { name: 'Spannungsfall einer Leitung' })
  await entry.getByRole('textbox', { name: 'Strom' }).fill('4,6')
  await entry.getByRole('textbox', { name: 'Querschnitt' }).fill('2,5')
  await entry.getByRole('textbox', { name: 'Querschnitt' }).press('Enter')
  await expect(entry.locator('dl .first .reading')).toHaveText(/95,2.mV/)
})
