import { expect, type Locator, type Page } from '@playwright/test'

/** Chooses in a list as a person does: opens it, types what is sought where that filters, and presses the entry. */
export async function choose(
  field: Locator,
  what: string | { readonly label: string } | { readonly index: number },
): Promise<void> {
  const page = field.page()
  const menu = page.locator('.n-base-select-menu:visible')
  const entries = menu.locator('.n-base-select-option')
  const entry =
    typeof what === 'string'
      ? menu.locator(`[data-value=${JSON.stringify(what)}]`)
      : 'index' in what
        ? entries.nth(what.index)
        : entries.filter({ hasText: exactly(what.label) })
  // What is still being drawn takes the open list with it.
  await expect(async () => {
    if (!(await menu.isVisible())) await field.click()
    const filter = field.locator('input')
    if (typeof what === 'object' && 'label' in what && (await filter.count())) await filter.fill(what.label)
    await entry.click({ timeout: 3000 })
  }).toPass()
  await expect(menu).toBeHidden()
}

/** Chooses some in a list by their names, and closes it. */
export async function chooseSome(field: Locator, labels: readonly string[]): Promise<void> {
  const menu = field.page().locator('.n-base-select-menu:visible')
  for (const label of labels) {
    const entry = menu.locator('.n-base-select-option').filter({ hasText: exactly(label) })
    await expect(async () => {
      if (!(await menu.isVisible())) await field.click()
      await field.locator('input').fill(label)
      await entry.click({ timeout: 3000 })
    }).toPass()
  }
  await field.page().keyboard.press('Escape')
  await expect(menu).toBeHidden()
}

const exactly = (text: string): RegExp =>
  new RegExp(`^\\s*${text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}\\s*$`)

/** What is chosen in a list, by its value. */
export const chosenIn = (field: Locator): Locator => field.locator('xpath=ancestor::*[@data-chosen][1]')

/** Presses one of a few: the field itself is drawn by the library, its words are what is pressed. */
export const press = (radio: Locator): Promise<void> => radio.locator('xpath=ancestor::label[1]').click()

/** Takes an instrument out of the bag. */
export const takeInstrument = (page: Page, device: string): Promise<void> =>
  page.getByRole('radiogroup', { name: 'Instrument' }).locator(`[data-device=${device}]`).click()
