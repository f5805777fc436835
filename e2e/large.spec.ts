import type { Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { demoClass, station, visit } from './studio'

/** As long as a title may be. */
const long = (name: string) =>
  `${name}, with lanterns, tides and everything that floats between them in the quiet weeks of the winter, for all who come back`
    .padEnd(120, '.')
    .slice(0, 120)

/** Twelve cards in forty papers for five hundred seats, all with titles as long as they may be. */
function grow(file: ReturnType<typeof JSON.parse>) {
  const [shelf, cards] = [file.papers, file.cards]
  file.class.seats = 500
  file.class.spares = 0
  for (let copy = 1; file.papers.length < 40; copy++) {
    for (const paper of shelf.slice(0, Math.min(shelf.length, 40 - file.papers.length)))
      file.papers.push({ ...paper, key: `${paper.key}-${copy}`, name: long(`${paper.name} ${copy}`) })
  }
  const keys = new Set(file.papers.map(({ key }: { key: string }) => key))
  const paperOf = (key: string, card: number) => (keys.has(`${key}-${card % 4}`) ? `${key}-${card % 4}` : key)
  file.cards = Array.from({ length: 12 }, (_, at) => {
    const card = cards[at % cards.length]
    return {
      ...card,
      key: `card-${at}`,
      title: long(`Card ${at + 1}`),
      papers: Object.fromEntries(
        Object.entries<string>(card.papers).map(([part, paper]) => [part, paperOf(paper, at)]),
      ),
    }
  })
}

/** Texts of the page that lie over one another, as far as they are seen. */
const overlaps = (page: Page) =>
  page.evaluate(() => {
    function seen(element: Element, box: DOMRect) {
      let { left, top, right, bottom } = box
      for (let around: Element | null = element; around; around = around.parentElement) {
        if (getComputedStyle(around).overflow === 'visible') continue
        const clip = around.getBoundingClientRect()
        left = Math.max(left, clip.left)
        top = Math.max(top, clip.top)
        right = Math.min(right, clip.right)
        bottom = Math.min(bottom, clip.bottom)
      }
      return { left, top, right, bottom }
    }
    const texts: {
      element: Element
      text: string
      line: number
      left: number
      top: number
      right: number
      bottom: number
    }[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (walker.nextNode()) {
      const [node, element] = [walker.currentNode, walker.currentNode.parentElement]
      const text = node.textContent?.trim()
      if (!text || !element || element.closest('svg, script, style, .unseen, .skip')) continue
      if (!element.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true }))
        continue
      const range = document.createRange()
      range.selectNodeContents(node)
      for (const line of range.getClientRects()) {
        const box = seen(element, line)
        if (box.right - box.left > 2 && box.bottom - box.top > 2)
          texts.push({ element, text, line: line.height, ...box })
      }
    }
    const over = (a: typeof texts[number], b: typeof texts[number]) => {
      const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left)
      const high = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
      // Lines stand close; letters are about half as high as their line.
      return wide > 2 && high > 0.5 * Math.min(a.line, b.line)
    }
    return texts.flatMap((a, at) =>
      texts.slice(at + 1).filter(b => a.element !== b.element && over(a, b)).map(b => `${a.text} over ${b.text}`),
    )
  })

const stations = ['cards', 'papers', 'pieces', 'cutting', 'kits', 'evening']
const sideways = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)

for (const [width, height] of [[1280, 800], [390, 844]] as const) {
  test(`twelve cards, forty papers, five hundred seats and long titles fit at ${width} × ${height}`, async ({
    browser, request, baseURL,
  }) => {
    test.setTimeout(480_000)
    const id = await demoClass(request, long(`Large ${width}`), grow)
    const touch = width < 900
    const context = await browser.newContext({ baseURL, viewport: { width, height }, hasTouch: touch, isMobile: touch })
    const page = await context.newPage()
    for (const path of ['/', '/papers', ...stations.map(name => `/classes/${id}/${name}`), `/print/${id}/pieces`]) {
      await visit(page, path)
      await expect(page.getByRole('heading').first()).toBeVisible()
      expect([path, await sideways(page), await overlaps(page)]).toEqual([path, 0, []])
    }
    // The last card and the last bag can be worked with.
    await station(page, id, 'cards')
    await page
      .getByRole('navigation', { name: 'Cards of this class' })
      .getByRole('button', { name: /^Card 12/ })
      .click()
    await expect(page.getByLabel('Name of the card')).toHaveValue(long('Card 12'))
    await station(page, id, 'kits')
    const last = page.getByRole('button', { name: /500/ }).first()
    await last.click({ timeout: 60_000 })
    await expect(page.getByRole('heading', { name: /^Seat 500/ })).toBeVisible()
    await context.close()
  })
}
