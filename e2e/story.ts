import { expect, type Page, type Request } from '@playwright/test'
import { choose, chooseSome } from './choose'

/** What the helpers below do is what a person does: names, buttons and keys, never the inside. */
export const people = {
  orla: { login: 'orla', password: 'gritter-amber-7' },
  tam: { login: 'tam', password: 'sweeper-brush-3' },
  idris: { login: 'idris', password: 'hopper-chain-5' },
  maeve: { login: 'maeve', password: 'beacon-lens-9' },
}

export async function signIn(page: Page, who: keyof typeof people): Promise<void> {
  await page.goto('/sign-in')
  await page.getByLabel('Sign-in name').fill(people[who].login)
  await page.getByLabel('Password').fill(people[who].password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('button', { name: 'Sign out' })).toBeVisible()
}

export async function signOut(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
}

/**
 * Watches what a page asks for; what comes back waits until nothing has been under way for half a second. Streams stay open and do
 * not count: where one opens early, Playwright's own “networkidle” never comes.
 */
export function quietOf(page: Page): () => Promise<void> {
  const underWay = new Set<Request>()
  let last = Date.now()
  const ended = (request: Request) => {
    if (underWay.delete(request)) last = Date.now()
  }
  page.on('request', (request) => {
    if (request.resourceType() !== 'eventsource') underWay.add(request)
  })
  page.on('requestfinished', ended)
  page.on('requestfailed', ended)
  return () =>
    expect
      .poll(() => underWay.size === 0 && Date.now() - last > 500, { timeout: 30_000, intervals: [100] })
      .toBe(true)
}

export async function openBench(page: Page, name = 'Work lamp, street sweeper'): Promise<void> {
  await page.goto('/circuits')
  // Those of a folder come first: another story may have made one of the same name.
  await page.getByRole('link', { name, exact: true }).first().click()
  await expect(page.getByRole('group', { name: `Schematic: ${name}` })).toBeVisible()
}

export const part = (page: Page, id: string) => page.locator(`[data-part="${id}"]`)

/** Sets something of a part where it is drawn: a position, or pulls it, or puts it back. */
export async function setInDrawing(page: Page, id: string, what: string): Promise<void> {
  const option = page.locator('.n-dropdown-option:visible', { hasText: what })
  await expect(async () => {
    if (!(await option.isVisible())) await part(page, id).click()
    await option.click({ timeout: 2000 })
  }).toPass()
}

export interface Planting {
  part: string
  fault: RegExp
  severity?: string
  complaint: string
  student: string
}

/** Goes to one of the three steps of Plant. */
export const toStep = (page: Page, name: 'Fault' | 'Effect' | 'Hand out'): Promise<void> =>
  page
    .getByRole('navigation', { name: 'Steps of planting a fault' })
    .getByRole('button', { name, exact: true })
    .click()
/** The size of the fault at hand. */
export const sizeField = (page: Page) =>
  page.getByRole('region', { name: 'Fault', exact: true }).first().locator('.quantity input').first()

/** From Bench: plants one fault and hands it out. */
export async function plantAndHandOut(
  page: Page,
  { part: place, fault, severity, complaint, student }: Planting,
): Promise<void> {
  await page.getByRole('link', { name: 'Plant', exact: true }).click()
  await choose(page.getByRole('combobox', { name: 'Place' }), place)
  await page.getByRole('group', { name: 'How it fails' }).getByRole('button', { name: fault }).click()
  if (severity) {
    const field = sizeField(page)
    await field.fill(severity)
    await field.press('Enter')
  }
  await toStep(page, 'Hand out')
  await page.getByLabel('Complaint').fill(complaint)
  // Words of one’s own: that the drafted facts go with them is said once, where there are any.
  const keep = page.getByRole('button', { name: 'Keep these facts' })
  await expect(keep.or(page.getByText('Nothing shows in any state'))).toBeVisible()
  if (await keep.isVisible()) await keep.click()
  await chooseSome(page.getByRole('combobox', { name: 'Students' }), [student])
  await page.getByRole('button', { name: 'Hand out the work order' }).click()
  await expect(page.getByText(`Handed out to ${student}.`)).toBeVisible()
}

export async function openDesk(page: Page, complaint: string): Promise<void> {
  await page.goto('/')
  await page.getByRole('listitem').filter({ hasText: complaint }).getByRole('link').click()
  await expect(page.getByRole('button', { name: 'Measure' })).toBeVisible()
}

export interface Test {
  red: string
  black: string
  predict: string
  clears?: string[]
  shows: RegExp
}

/** One whole test: leads by name, prediction, reading, parts struck out in the drawing. */
export async function measure(page: Page, { red, black, predict, clears = [], shows }: Test): Promise<void> {
  await page.getByLabel('Red lead').fill(red)
  await page.getByLabel('Black lead').fill(black)
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill(predict)
  await page.getByRole('button', { name: 'Measure' }).click()
  await expect(page.getByTestId('display')).toHaveText(shows)
  for (const id of clears) await part(page, id).press('Enter')
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'What does it tell you?' })).toBeHidden()
}

/** Waits until a place stands: nothing is being prepared, and for a moment nothing has come or gone. */
export async function settled(page: Page): Promise<void> {
  await expect(page.locator('main')).not.toHaveText('')
  await expect(page.locator('main [role=status]', { hasText: /Preparing|wird vorbereitet/i })).toHaveCount(0)
  await page.evaluate(
    () =>
      new Promise<void>((done) => {
        const count = () => `${document.querySelectorAll('*').length} ${document.body.innerText.length}`
        let last = ''
        let same = 0
        const look = () => {
          const now = count()
          same = now === last ? same + 1 : 0
          last = now
          if (same >= 3) done()
          else setTimeout(look, 30)
        }
        look()
      }),
  )
}
