import { expect, test } from '@playwright/test'
import { choose, chooseSome } from './choose'
import { expectAccessible } from './axe'
import { freshStudent, goToDesk, take } from './desk'
import { openBench, part, signIn, toStep } from './story'

test('a false alarm: handed out with what is said of it, proved under load, concluded as sound', async ({
  page,
  browser,
}, { retry }) => {
  // Told again after a failure, it is another student's.
  const login = `alarm${retry}`
  const student = await browser.newContext({ baseURL: 'http://127.0.0.1:4187' })
  const desk = await student.newPage()
  await freshStudent(desk, login)
  let id = ''

  await test.step('Plant: nothing is planted, and the order says what is claimed', async () => {
    await signIn(page, 'orla')
    await openBench(page)
    await page.getByRole('link', { name: 'Plant', exact: true }).click()
    const hand = page.getByRole('region', { name: 'Hand out' })
    // Another story may have left its fault here.
    const none = page.getByRole('heading', { name: 'No fault planted' })
    const remove = page.getByRole('button', { name: 'Remove' }).first()
    await expect(none.or(remove)).toBeVisible()
    if (!(await none.isVisible())) await remove.click()
    await expect(none).toBeVisible()
    await toStep(page, 'Hand out')
    const out = page.getByRole('button', { name: 'Hand out the work order' })
    await expect(out).toBeDisabled()
    await hand.getByRole('checkbox', { name: /Nothing is wrong/ }).check()
    await hand.getByLabel('Complaint').fill('The driver says that the work lamp is dim.')
    await chooseSome(hand.getByRole('combobox', { name: 'Students' }), [`Story ${login}`])
    await out.click()
    await expect(hand.getByRole('alert')).toContainText('must be reproduced')
    for (const [field, option] of [
      ['In which state', 'Switch closed'],
      ['Which part', /^L1/],
      ['What it is said to do', 'dim'],
    ] as const) {
      await hand.getByRole('textbox', { name: field }).click()
      await page.locator('.n-base-select-option', { hasText: option }).first().click()
    }
    await expectAccessible(page)
    await out.click()
    await expect(page.getByText(`Handed out to Story ${login}.`)).toBeVisible()
  })

  await test.step('Desk: sees that it is not so, reads feed, load and return under load, says that it is sound', async () => {
    await desk.goto('/')
    const link = desk.getByRole('listitem').filter({ hasText: 'work lamp is dim' }).getByRole('link')
    id = (await link.getAttribute('href'))!.split('/').pop()!
    await goToDesk(desk, id)
    await desk.getByRole('button', { name: 'S1 closed' }).click()
    await expect(part(desk, 'L1')).toContainText('bright')
    await desk.getByRole('button', { name: 'Not reproduced' }).click()
    await take(desk, { red: 'B1+', black: 'L1f', predict: '0.3', shows: /\d/ })
    await take(desk, { red: 'L1f', black: 'L1g', predict: '12', shows: /12\.\d+.V/ })
    await take(desk, { red: 'L1g', black: 'B1-', predict: '0.1', shows: /\d/ })
    const form = desk.getByRole('form', { name: 'Conclusion' })
    if (!(await form.isVisible())) await desk.locator('.concluding .title').click()
    await choose(form.getByRole('combobox', { name: 'Piece', exact: true }), 'sound')
    await expect(form.getByLabel('How it failed')).toBeHidden()
    await form.getByRole('button', { name: 'Conclude' }).click()
    await expect(desk.getByText('Concluded: electrically sound')).toBeVisible()
    await desk
      .getByRole('button', { name: /^Finish/ })
      .first()
      .click()
    await expect(desk.getByText(/^Finished\./)).toBeVisible()
  })

  await test.step('Review: the whole way was proved, and nothing was there to repair', async () => {
    await page.goto(`/review/${id}`)
    await expect(page.getByText('each stretch of the way was proved under load')).toBeVisible()
    await expect(page.getByText('no good part was replaced')).toBeVisible()
    // What the whole attempt leaves of an aspect is said there: nobody has to guess where the points went.
    const mark = page.getByRole('region', { name: 'Mark', exact: true })
    await mark.getByRole('button', { name: /^Inference/ }).click()
    await expect(mark.getByText(/^Nothing (was struck out|could be struck out)\./)).toBeVisible()
  })
  await student.close()
})
