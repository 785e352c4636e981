import { expect, test, type Page } from '@playwright/test'
import { choose, press } from './choose'
import { readdirSync, readFileSync } from 'node:fs'
import { expectAccessible } from './axe'
import { handOut } from './desk'
import { misplaced } from './misplaced'
import { part, people, settled } from './story'
import { messagesOf } from '../test/messages'

/** What would stand in English where somebody forgot it; names that a school gives its own things are not ours. */
const german = messagesOf('de')
const english = new Set(
  Object.entries(messagesOf('en'))
    .filter(([code, text]) => german[code] !== text && text.length > 3 && !text.includes('{'))
    .map(([, text]) => text),
)

const sentences = [...english].filter((text) => text.length > 12 && text.includes(' '))
/** Names that the demo and other stories give their own things: a school's words stay as they are. */
const ownNames = new Set([
  'breaker',
  'New circuit',
  'Lab day',
  ...namesIn(demo('circuits')),
  ...namesIn(demo('.')),
])
const ownTitles = [...ownNames].filter((name) => name.length > 8).sort((a, b) => b.length - a.length)

function demo(folder: string): unknown[] {
  return readdirSync(`demo/${folder}`)
    .filter((file) => file.endsWith('.json'))
    .map((file) => JSON.parse(readFileSync(`demo/${folder}/${file}`, 'utf8')) as unknown)
}
function namesIn(of: unknown): string[] {
  if (typeof of !== 'object' || of === null) return []
  return Object.entries(of).flatMap(([key, value]) =>
    typeof value === 'string' && !['kind', 'id', 'format'].includes(key) ? [value] : namesIn(value),
  )
}

async function signInGerman(page: Page, who: keyof typeof people) {
  await page.goto('/sign-in')
  await press(page.getByRole('radio', { name: 'Deutsch' }))
  await expect(page.getByRole('heading', { name: 'Anmelden' })).toBeVisible()
  await page.getByLabel('Anmeldename').fill(people[who].login)
  await page.getByLabel('Passwort').fill(people[who].password)
  await page.getByRole('button', { name: 'Anmelden' }).click()
  await expect(page.getByRole('button', { name: 'Abmelden' })).toBeVisible()
}

/** Texts of the page that are English ones of ours, and what sticks out of it. */
async function look(page: Page) {
  await settled(page)
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
    '/circuits',
    `/bench/${id}`,
    `/plant/${id}`,
    `/sheet/${id}`,
    '/lessons',
    '/exams',
    '/drills',
    '/drills?kind=whichSide',
    '/handbook/misbeliefs',
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
    '/handbook/symbols',
    '/handbook/caution-hot',
    `/show/${id}`,
  ]
  const right = async (where: string) => {
    const { left, sideways, cut } = await look(page)
    expect.soft(await misplaced(page), where).toEqual([])
    expect.soft(left, where).toEqual([])
    expect.soft(sideways, `${where} is as wide as the window`).toBeLessThanOrEqual(0)
    return cut
  }
  for (const place of places) {
    await page.setViewportSize({ width: 1280, height: 800 })
    await page.goto(place)
    expect.soft(await right(`${place} at 1280`), `bar of places on ${place}`).toBeLessThanOrEqual(1)
    // What stands behind another choice of the same place is looked at as well.
    if (place.includes(id)) {
      const choices = page.locator('main .segments label.n-radio-button')
      for (let n = Math.min(6, await choices.count()) - 1; n >= 0; n--) {
        await choices
          .nth(n)
          .click({ timeout: 2000 })
          .catch(() => undefined)
        await right(`${place}, choice ${n}`)
      }
    }
    await page.setViewportSize({ width: 1024, height: 768 })
    await right(`${place} at 1024`)
    // At two hundred percent.
    await page.setViewportSize({ width: 640, height: 400 })
    await right(`${place} at 640`)
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
  await press(page.getByRole('radio', { name: 'English' }))
  await expect(page.getByLabel('Language')).toBeVisible()
  await press(page.getByRole('radio', { name: 'Deutsch' }))
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
  await press(page.getByRole('radio', { name: 'English' }))
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

test('German at the Desk, from the complaint to the review', async ({ page, browser }) => {
  test.slow()
  const order = await handOut({
    circuit: /Work lamp, street sweeper/,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'foot', severity: 0.4 }],
    student: 'tam',
    complaint: 'Die Arbeitsleuchte ist schwach.',
    frame: { mode: 'practice' },
  })
  await signInGerman(page, 'tam')
  const german = async (at: string, on: Page = page) => {
    const { left, sideways } = await look(on)
    expect.soft(left, at).toEqual([])
    expect.soft(sideways, at).toBeLessThanOrEqual(0)
  }
  await page.goto(`/desk/${order}`)
  await expect(page.getByRole('list', { name: 'Ablauf der Arbeit' })).toBeVisible()
  await german('the Desk')
  await page.getByRole('button', { name: /^S1 .*geschlossen/ }).click()
  await page.getByRole('button', { name: 'Wie beanstandet' }).click()
  await german('seen as complained')
  const take = async (red: string, black: string, prediction: string, clears: string) => {
    await page.getByLabel('Rote Leitung').fill(red)
    await page.getByLabel('Schwarze Leitung').fill(black)
    await page.getByRole('textbox', { name: /^.?Vorhersage.?$/ }).fill(prediction)
    await page.getByRole('button', { name: 'Messen' }).click()
    await expect(page.getByTestId('display')).toHaveText(/\d,\d/)
    if (clears) await part(page, clears).press('Enter')
    await german(`a reading from ${red} to ${black}`)
  }
  const tell = async () => {
    await page.getByRole('button', { name: 'Fertig' }).click()
    await expect(page.getByRole('heading', { name: 'Was sagt sie Ihnen?' })).toBeHidden()
  }
  await take('L1a', 'B1n', '12,3', 'F1')
  await tell()
  await take('G1c', 'B1n', '20 mV', '')
  await tell()
  await take('G1e', 'G1c', '10 mV', '')
  await tell()
  await german('verdicts after each step')
  const form = page.getByRole('form', { name: 'Ergebnis' })
  if (!(await form.isVisible())) await page.locator('.concluding .title').click()
  await choose(form.getByRole('combobox', { name: 'Stück', exact: true }), 'G1.foot')
  await choose(form.getByRole('combobox', { name: 'Wie es versagt hat', exact: true }), 'highResistance')
  await form.getByRole('button', { name: 'Abschließen' }).click()
  const mend = page.getByRole('form', { name: 'Reparatur' })
  await choose(mend.getByRole('combobox', { name: 'Stück', exact: true }), 'G1.foot')
  await choose(mend.getByRole('combobox', { name: 'Wie', exact: true }), 'remake')
  await german('before the repair')
  await mend.getByRole('button', { name: 'Reparieren' }).click()
  await take('L1a', 'L1b', '12,1', '')
  await page.getByRole('button', { name: 'Arbeit beenden' }).click()
  await expect(page.getByText('Fertig.')).toBeVisible()
  await german('finished')

  const desk = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const orla = await desk.newPage()
  await signInGerman(orla, 'orla')
  await orla.goto(`/review/${order}`)
  for (let i = 0; i < 8; i++) {
    await german(`step ${i} of the review`, orla)
    await orla.keyboard.press('n')
  }
  await expectAccessible(orla)
  // The same work as a sheet that was filled in by hand.
  await orla.goto(`/paper/${order}`)
  await expect(orla.getByRole('heading').first()).toBeVisible()
  await german('a worksheet from paper', orla)
  await desk.close()
})

test('French: signing in and the account are whole, plurals among them, the rest is said in English', async ({
  page,
}) => {
  await page.goto('/sign-in')
  await press(page.getByRole('radio', { name: 'Français' }))
  await expect(page.getByRole('heading', { name: 'Se connecter' })).toBeVisible()
  await page.getByLabel('Identifiant').fill(people.maeve.login)
  await page.getByLabel('Mot de passe').fill('not this one')
  await page.getByRole('button', { name: 'Se connecter' }).click()
  await expect(page.getByText('L’identifiant ou le mot de passe est faux')).toBeVisible()
  await page.getByLabel('Mot de passe').fill(people.maeve.password)
  await page.getByRole('button', { name: 'Se connecter' }).click()
  await expect(page).toHaveURL('/')
  // The account has a language of its own, which another story has chosen.
  await page.goto('/account')
  await press(page.getByRole('radio', { name: 'Français' }))
  await expect(page.getByRole('button', { name: 'Se déconnecter', exact: true })).toBeVisible()
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Manuel' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Your work orders' })).toBeVisible()
  await page.goto('/account')
  await expect(page.getByLabel('Langue')).toBeVisible()
  await settled(page)
  expect(await page.locator('main').innerText()).not.toMatch(/[Pp]assword|[Ss]ign|[Bb]ench/)
  await expectAccessible(page)
  await press(page.getByRole('radio', { name: 'English' }))
  await expect(page.getByLabel('Language')).toBeVisible()
})
