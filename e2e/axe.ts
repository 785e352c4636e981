import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/**
 * WCAG 2.2 A and AA, checked by axe on the page as it stands. What passes is not written up, and there are no frames to
 * gather from: most of its time went there.
 */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  const said = violations.map(
    (v) =>
      `${v.id}: ${v.help}\n${v.nodes.map((n) => `  ${n.target.join(' ')} — ${n.failureSummary?.split('\n').join(' ')}`).join('\n')}`,
  )
  expect(said, said.join('\n')).toEqual([])
}
