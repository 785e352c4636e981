import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** WCAG 2.2 A and AA, checked by axe on the page as it stands. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  const said = violations.map(
    (v) =>
      `${v.id}: ${v.help}\n${v.nodes.map((n) => `  ${n.target.join(' ')} — ${n.failureSummary?.split('\n').join(' ')}`).join('\n')}`,
  )
  expect(said, said.join('\n')).toEqual([])
}
