import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { demoClass, laidOut, station, visit } from './studio'

const SIZES = [
  { width: 1280, height: 800, touch: false },
  { width: 1024, height: 768, touch: true },
  { width: 820, height: 1180, touch: true },
  { width: 390, height: 844, touch: true },
]
const pages = (id: number) => [
  '/', '/folds', '/folds/step-popup', '/papers', '/settings',
  ...['cards', 'papers', 'pieces', 'cutting', 'cutting?paper=lantern', 'kits'].map(name => `/classes/${id}/${name}`),
  ...['cutting', 'scores', 'kits', 'pieces'].map(name => `/print/${id}/${name}`),
]

/** Pixels that a page can be pushed sideways. */
const sideways = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)

/** Controls that are too small for a finger; links inside sentences are text. */
const tooSmall = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, input, select, textarea, summary, nav a, .p-select')]
      .filter((control) => {
        const { width, height } = control.getBoundingClientRect()
        const style = getComputedStyle(control)
        const isSeen = width > 2 && height > 2 && style.visibility !== 'hidden' && style.opacity !== '0'
        const isInText
          = control.closest('p, li > span, .p-select .p-select-label') !== null
            || control.matches('.p-select [role=combobox]')
        return (
          isSeen && !isInText && !control.matches('[type=checkbox], [role=switch]') && Math.min(width, height) < 43.5
        )
      })
      .map(control =>
        `${control.tagName} ${control.getAttribute('aria-label') ?? control.textContent}`.trim().slice(0, 60),
      ),
  )

for (const { width, height, touch } of SIZES) {
  const also = touch ? ', and a finger meets every control' : ''
  test(`at ${width} × ${height} nothing is pushed sideways${also}`, async ({ browser, request, baseURL }) => {
    const id = await demoClass(request, `Size ${width}`)
    const context = await browser.newContext({
      baseURL, viewport: { width, height }, hasTouch: touch, isMobile: touch && width < 900,
    })
    const page = await context.newPage()
    for (const path of pages(id)) {
      await page.goto(path)
      await laidOut(page)
      await expect(page.getByRole('heading').first()).toBeVisible()
      expect([path, await sideways(page)]).toEqual([path, 0])
      if (touch) expect([path, await tooSmall(page)]).toEqual([path, []])
    }
    await context.close()
  })
}

test('on the first screen of a card is all that the eye needs', async ({ page, request }) => {
  await page.addInitScript(() => localStorage.setItem('wakaru-drawer', 'false'))
  await station(page, await demoClass(request, 'First screen'), 'cards')
  const box = async (target: ReturnType<Page['locator']>) => (await target.boundingBox())!
  const tape = await box(page.getByRole('navigation', { name: 'Steps of the preparation' }))
  expect(tape.y + tape.height).toBeLessThan(130)
  expect((await box(page.getByLabel('Finished width'))).y).toBeLessThan(400)
  const card = await box(page.getByRole('img', { name: 'Folded card' }))
  expect([card.width >= 300, card.y + card.height < 800]).toEqual([true, true])
  // What is wrong is said where it can be read, and the drawings stay.
  await page.getByLabel('Plate width').fill('9')
  // What would put it right is offered one paint later, in the place of the finding without it.
  const finding = page.getByRole('list', { name: 'Findings' }).getByRole('listitem').first()
  await expect.poll(async () => {
    const place = await finding.boundingBox()
    return place ? place.y + place.height : Infinity
  }).toBeLessThan(800)
  await page.getByLabel('Border').fill('1 1/8')
  await expect(page.getByRole('group', { name: 'Flat pattern of Base' })).toBeVisible()
  await expect(page.getByRole('img', { name: 'Folded card' })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(800)
})

test('at twice the size of text everything can still be reached', async ({ browser, request, baseURL }) => {
  const id = await demoClass(request, 'Zoomed')
  const page = await (await browser.newContext({ baseURL, viewport: { width: 640, height: 400 } })).newPage()
  for (const name of ['cards', 'papers', 'cutting', 'kits']) {
    await station(page, id, name)
    await laidOut(page)
    expect([name, await sideways(page)]).toEqual([name, 0])
  }
  await page.context().close()
})

test('drawing, folded card and fields know of each other, by pointer and by keyboard', async ({ page, request }) => {
  await page.addInitScript(() => localStorage.setItem('wakaru-drawer', 'false'))
  await station(page, await demoClass(request, 'Marked'), 'cards')
  const base = page.getByRole('group', { name: 'Flat pattern of Base' })
  await base.locator('.measured').first().click()
  await expect(page.getByLabel('Finished width')).toBeFocused()
  const part = base.getByRole('button', { name: /^Base, 8 1\/2 × 5 1\/2 in/ })
  await part.focus()
  await page.keyboard.press('ArrowRight')
  await expect(base.getByRole('button', { name: /face Front panel A$/ })).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await expect(base.getByRole('button', { name: /face Inner panel B$/ })).toBeVisible()
  await expect(page.getByRole('img', { name: 'Folded card' }).locator('path.chosen')).toHaveCount(1)
  await expect(page.locator('.parameter.marked[data-parameter=width]')).toHaveCount(1)
})

test('a cutting page is drawn without anything jumping', async ({ page, request }) => {
  const id = await demoClass(request, 'Still')
  await page.addInitScript(() => {
    const shifts: number[] = ((window as unknown as { shifts: number[] }).shifts = [])
    new PerformanceObserver(list =>
      list.getEntries().forEach(entry => shifts.push((entry as unknown as { value: number }).value)),
    ).observe({ type: 'layout-shift', buffered: true })
  })
  for (const name of ['cards', 'cutting']) {
    await station(page, id, name)
    await expect(page.getByText('working', { exact: true })).toHaveCount(0, { timeout: 60_000 })
    const shifts = await page.evaluate(() => (window as unknown as { shifts: number[] }).shifts)
    expect([name, shifts.reduce((sum, value) => sum + value, 0) < 0.02]).toEqual([name, true])
  }
})

test('every print is a PDF too, in our own typeface, with text that can be found', async ({ page, request }) => {
  const id = await demoClass(request, 'As PDF')
  const prints = { cutting: 'Mat on panel A', scores: 'Order of assembly', kits: 'Seat', pieces: 'Harbour lantern' }
  for (const [name, words] of Object.entries(prints)) {
    await visit(page, `/print/${id}/${name}`)
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save as PDF' }).click({ timeout: 60_000 }),
    ])
    expect(download.suggestedFilename()).toMatch(/-as-pdf\.pdf$/)
    const bytes = await readFile(await download.path())
    const document = await getDocument({ data: new Uint8Array(bytes) }).promise
    const texts: string[] = []
    for (let at = 1; at <= document.numPages; at++) {
      const { items } = await (await document.getPage(at)).getTextContent()
      texts.push(items.map(item => ('str' in item ? item.str : '')).join(' '))
    }
    expect(texts.join(' ')).toContain(words)
    texts.forEach((text, at) => expect(text).toContain(`${at + 1} of ${texts.length}`))
  }
})
