import type { Page } from '@playwright/test'

/** What sticks out to the right, and what is cut off in the middle of a word without a sign that it goes on. */
export const misplaced = (page: Page) =>
  page.evaluate(() => {
    const main = document.querySelector('main')
    const over = Math.max(
      document.documentElement.scrollWidth - innerWidth,
      main ? main.scrollWidth - main.clientWidth : 0,
    )
    const scrolls = (element: Element) => {
      for (let p: Element | null = element; p && p !== document.body; p = p.parentElement)
        if (['auto', 'scroll'].includes(getComputedStyle(p).overflowX)) return true
      return false
    }
    const found = over > 0 ? [`the page is ${over} px too wide`] : []
    for (const one of document.querySelectorAll('button, a, [role=combobox], h1, h2, h3, p, td, th, label')) {
      const { left, right, width, height } = one.getBoundingClientRect()
      if (!width || !height || one.closest('.visually-hidden, svg')) continue
      const words = `${one.tagName} ${(one.getAttribute('aria-label') ?? one.textContent).trim().slice(0, 50)}`
      if ((right > innerWidth + 1 || left < -1) && !scrolls(one)) found.push(`out of the window: ${words}`)
      const { overflowX, textOverflow } = getComputedStyle(one)
      if (overflowX === 'hidden' && textOverflow !== 'ellipsis' && one.scrollWidth > one.clientWidth + 2)
        found.push(`cut off: ${words}`)
    }
    // Words that run over the edge of what is pressed.
    for (const one of document.querySelectorAll('.n-radio-button, .n-button')) {
      const box = one.getBoundingClientRect()
      if (!box.width || one.closest('.visually-hidden')) continue
      const words = document.createRange()
      words.selectNodeContents(one.querySelector('.n-radio__label, .n-button__content') ?? one)
      const { left, right, width } = words.getBoundingClientRect()
      if (width && (right > box.right + 1 || left < box.left - 1))
        found.push(`runs over its edge: ${one.textContent.trim().slice(0, 50)}`)
    }
    // What scrolls up and down: by enough to be worth a bar, and not within something that does so too.
    const upright = [...document.querySelectorAll('main, main *')].filter((one) => {
      const { overflowY } = getComputedStyle(one)
      return ['auto', 'scroll'].includes(overflowY) && one.scrollHeight > one.clientHeight + 1
    })
    const words = (one: Element) => `${one.tagName}.${one.className.toString().slice(0, 60)}`
    for (const one of upright) {
      const by = one.scrollHeight - one.clientHeight
      // A table may end anywhere in its last row.
      if (by < 8 && !one.matches('.n-scrollbar-container')) found.push(`scrolls by ${by} px: ${words(one)}`)
      const outer = upright.find((other) => other !== one && other.contains(one))
      if (outer && one.clientHeight > 60 && innerWidth > 760)
        found.push(`two bars: ${words(one)} in ${words(outer)}`)
    }
    // What a place is for is in view: nobody scrolls for it.
    for (const act of document.querySelectorAll('main .n-button--primary-type')) {
      const { top, bottom, height } = act.getBoundingClientRect()
      if (
        height &&
        innerWidth > 760 &&
        !act.closest('.n-modal') &&
        (top < 0 || bottom > innerHeight) &&
        !scrolls(act)
      )
        found.push(`out of view: ${act.textContent.trim()}`)
    }
    return [...new Set(found)]
  })
