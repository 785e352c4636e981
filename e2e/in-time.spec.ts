import { expect, test } from '@playwright/test'
import { choose, chooseSome, takeInstrument } from './choose'
import { conclude, freshStudent, goToDesk, handOut, repair, take } from './desk'
import { part, signIn, toStep } from './story'

const base = 'http://127.0.0.1:4187'

test('a drain: handed out with its hours, verified by its current, cured, and said so in the review', async ({
  page,
  browser,
}, { retry }) => {
  // Told again after a failure, it is another student's.
  const login = `drain${retry}`
  const student = await browser.newContext({ baseURL: base })
  const desk = await student.newPage()
  await freshStudent(desk, login)
  let id = ''

  await test.step('Plant: what never shows is not offered, and the complaint is in hours', async () => {
    await signIn(page, 'orla')
    await page.goto('/circuits')
    await page
      .getByRole('link', { name: /^Key-off drain/ })
      .first()
      .click()
    await page.getByRole('link', { name: 'Plant', exact: true }).click()
    await choose(page.getByRole('combobox', { name: 'Place' }), 'F2')
    const kinds = page.getByRole('group', { name: 'How it fails' })
    await expect(page.getByRole('checkbox', { name: /Also offer faults that never show/ })).toBeVisible({
      timeout: 30_000,
    })
    await expect(kinds.getByRole('button', { name: /Wrong fuse/ })).toBeHidden()
    await page.getByRole('checkbox', { name: /Also offer faults that never show/ }).check()
    await expect(kinds.getByRole('button', { name: /Wrong fuse/ })).toBeVisible()
    await kinds.getByRole('button', { name: /^Drain/ }).click()
    await toStep(page, 'Hand out')
    const hand = page.getByRole('region', { name: 'Hand out' })
    await expect(hand.getByLabel('Complaint')).toHaveValue(/^Left standing, the van battery is flat/)
    await expect(hand.getByRole('checkbox', { name: /van battery is flat after about 4 days/ })).toBeChecked()
    await chooseSome(hand.getByRole('combobox', { name: 'Students' }), [`Story ${login}`])
    await page.getByRole('button', { name: 'Hand out the work order' }).click()
    await expect(page.getByText(`Handed out to Story ${login}.`)).toBeVisible()
  })

  await test.step('Desk: left as the driver leaves it, the battery’s current tells it', async () => {
    await desk.goto('/')
    const link = desk.getByRole('listitem').filter({ hasText: 'flat after about 4 days' }).getByRole('link')
    id = (await link.getAttribute('href'))!.split('/').pop()!
    await goToDesk(desk, id)
    await choose(desk.getByRole('combobox', { name: 'Key off for', exact: true }), '1800')
    await take(desk, { device: 'clamp', round: 'W1', predict: '10m', shows: /A$/ })
    await take(desk, {
      device: 'multimeter',
      function: 'Millivolts across a fuse',
      at: 'F2',
      predict: '0',
      shows: /V$/,
    })
    await conclude(desk, 'F2.holder', 'drain')
    await repair(desk, 'F2.holder', 'remove')
    await expect(desk.getByText('The board has changed')).toBeVisible()
    await desk.getByRole('button', { name: 'Operate it again' }).click()
    await expect(desk.getByText('The board has changed')).toBeHidden()
    await takeInstrument(desk, 'clamp')
    await desk.getByLabel('Jaws round').fill('W1')
    await desk.getByRole('textbox', { name: 'Prediction', exact: true }).fill('10m')
    await desk.getByRole('button', { name: 'Measure' }).click()
    await expect(desk.getByTestId('display')).toHaveText(/A$/)
    await desk.getByRole('button', { name: 'Finish the work' }).click()
    await expect(desk.getByText(/^Finished\./)).toBeVisible()
  })

  await test.step('Review: the complaint was verified by what it is', async () => {
    await page.goto(`/review/${id}`)
    await expect(page.getByText('The current that empties the battery was read first')).toBeVisible()
  })
  await student.close()
})

test('what comes and goes is met on the road: everything is moved at once, and the complaint is seen', async ({
  browser,
}, { retry }) => {
  const login = `rough${retry}`
  const student = await browser.newContext({ baseURL: base })
  const desk = await student.newPage()
  await freshStudent(desk, login)
  const id = await handOut({
    circuit: /^Work lamp, street sweeper/,
    faults: [{ kind: 'slack', part: 'X2', segment: 'pin', severity: 1000 }],
    student: login,
    complaint: 'On the cobbles the work lamp goes out now and then.',
  })
  await goToDesk(desk, id)
  await desk.getByRole('button', { name: 'S1 closed' }).click()
  await expect(part(desk, 'L1')).toContainText('bright')
  await choose(desk.getByRole('combobox', { name: 'Wiggle', exact: true }), {
    label: 'Everything at once',
  })
  await expect(part(desk, 'L1')).toContainText('dark')
  const asComplained = desk.getByRole('button', { name: 'As complained', exact: true })
  await asComplained.click()
  await expect(desk.locator('.verify .title')).toContainText('as complained')
  // Said once, it is said.
  await desk.locator('.verify .title').click()
  await expect(asComplained).toBeDisabled()
  await desk.getByLabel('Red lead').fill('X2a')
  await desk.getByLabel('Red lead').press('Enter')
  await expect(desk.getByLabel('Black lead')).toBeFocused()
  await desk.keyboard.type('X2b')
  await desk.keyboard.press('Enter')
  await expect(desk.getByRole('textbox', { name: 'Prediction', exact: true })).toBeFocused()
  await desk.keyboard.type('10m')
  await desk.keyboard.press('Enter')
  await expect(desk.getByTestId('display')).toHaveText(/1[12]\.\d+.V$/)
  await expect(desk.getByRole('region', { name: 'What the reading tells you' })).toBeFocused()
  await student.close()
})
