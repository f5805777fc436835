import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { gzipSync } from 'node:zlib'
import type { APIRequestContext, Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { demoClass, expectSize, saved, station, visit } from './studio'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

const ALL = { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'] }
/** What can differ from one theme to the other. */
const COLOURS = { runOnly: { type: 'rule', values: ['color-contrast', 'link-in-text-block'] } }

/** What an automated check calls serious or critical on the page as it stands. */
async function serious(page: Page, rules: object = ALL): Promise<string[]> {
  await page.evaluate(AXE)
  // What is still fading in has not got its colours yet.
  await page.evaluate(async () => {
    const frame = () => new Promise(resolve => requestAnimationFrame(resolve))
    for (let frames = 0; frames < 3; frames++) await frame()
    const ending = document
      .getAnimations()
      .filter(animation => animation.effect?.getComputedTiming().iterations !== Infinity)
    await Promise.allSettled(ending.map(animation => animation.finished))
  })
  return await page.evaluate(async (rules) => {
    const { violations } = await (
      window as unknown as {
        axe: {
          run: (
            options: object,
          ) => Promise<{
            violations: { id: string, impact: string, nodes: { html: string, failureSummary: string }[] }[]
          }>
        }
      }
    ).axe.run(rules)
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .flatMap(({ id, nodes }) =>
        nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 200)} ${failureSummary.slice(0, 300)}`),
      )
  }, rules)
}

/** The same in the light and in the dark, where nothing but colours differs. */
async function expectNothingSerious(page: Page, where: string): Promise<void> {
  expect(await serious(page), where).toEqual([])
  // The theme is one class; with which one a page begins is a test of its own.
  await page.locator('html').evaluate(html => html.classList.add('dark'))
  expect(await serious(page, COLOURS), `${where}, dark`).toEqual([])
  await page.locator('html').evaluate(html => html.classList.remove('dark'))
}

test('nothing serious is in the way of anybody on any page, light or dark', async ({ page, request }) => {
  const id = await demoClass(request, 'Access')
  for (const path of [
    '/',
    '/folds',
    '/folds/step-popup',
    '/papers',
    '/settings',
    ...['cards', 'papers', 'pieces', 'cutting', 'cutting?paper=lantern', 'kits', 'evening']
      .map(name => `/classes/${id}/${name}`),
    `/print/${id}/cutting`,
    `/print/${id}/kits`,
    `/print/${id}/scores`,
    `/print/${id}/pieces`,
    `/print/${id}/masks`,
  ]) {
    await visit(page, path)
    await expect(page.getByRole('heading').first()).toBeVisible()
    await expectNothingSerious(page, path)
  }
})

/** Dialogs by the buttons that lead to them, of the class where the page is one of it. */
const DIALOGS: [page: string, buttons: (string | RegExp)[]][] = [
  ['/', ['New class']],
  ['/', ['Studio', /^Bin/]],
  ['/', ['Help']],
  ['/papers', ['Add a paper']],
  ['cards', ['Change']],
  ['cards', ['Add a card']],
  ['cards', ['More for Harbour lantern', 'Another size']],
  ['cards', ['More for Harbour lantern', 'Keep as variant']],
  ['/folds/z-fold', ['Teach it']],
]
for (const [name, buttons] of DIALOGS) {
  test(`nothing serious is in the way of anybody in a dialog, light or dark: ${name}, ${buttons.join(', ')}`, async ({
    page, request,
  }) => {
    await visit(page, name.startsWith('/') ? name : `/classes/${await demoClass(request, 'Dialogs')}/${name}`)
    for (const button of buttons) {
      const named = { name: button, exact: typeof button === 'string' }
      await page.getByRole('button', named).or(page.getByRole('menuitem', named)).first().click()
    }
    await expect(page.getByRole('dialog')).toBeVisible()
    await expectNothingSerious(page, name)
  })
}

test('nothing serious is in the way of anybody who dresses a card, light or dark', async ({ page, request }) => {
  await visit(page, `/classes/${await demoClass(request, 'Dressed')}/cards`)
  // The faces with their layers, and a free piece.
  for (const name of ['On its faces', 'Add a layer', 'Free pieces', 'Add a piece']) {
    await page.getByRole('button', { name, exact: true }).click()
    await expectNothingSerious(page, name)
  }
})

test('a page begins in the colours that the device is set to', async ({ browser, baseURL }) => {
  for (const colorScheme of ['light', 'dark'] as const) {
    const page = await (
      await browser.newContext({ baseURL, colorScheme, storageState: { cookies: [], origins: [] } })
    ).newPage()
    await page.goto('/')
    expect(await page.locator('html').evaluate(html => html.classList.contains('dark'))).toBe(colorScheme === 'dark')
    await page.context().close()
  }
})

test('the whole job works from the keyboard', async ({ page }) => {
  await visit(page, '/')
  const tabTo = async (name: RegExp) => {
    for (let presses = 0; presses < 80; presses++) {
      await page.keyboard.press('Tab')
      const focused = await page.evaluate(() => {
        const element = document.activeElement as HTMLElement
        const labelled
          = element instanceof HTMLInputElement
            ? [...(element.labels ?? [])].map(label => label.textContent).join()
            : ''
        return [element.getAttribute('aria-label'), labelled, element.textContent].filter(Boolean).join(' ').trim()
      })
      if (name.test(focused)) return
    }
    throw new Error(`Tab never reached ${name}`)
  }
  await tabTo(/^New class/)
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Title')).toBeFocused()
  await page.keyboard.type('By keyboard')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'By keyboard' })).toBeVisible()
  await tabTo(/^Z-fold/)
  await page.keyboard.press('Enter')
  await tabTo(/Border/)
  await page.keyboard.press('ArrowUp')
  await expectSize(page, 'Mat on panel C', '3 7/8 in', '5 1/8 in')
  await saved(page)
  await page.keyboard.press('Alt+2')
  await tabTo(/^Take usual papers/)
  await page.keyboard.press('Enter')
  await page.keyboard.press('Alt+4')
  await expect(page.getByRole('heading', { name: 'Sheets needed against sheets on hand' })).toBeVisible()
  await page.keyboard.press('Alt+5')
  await expect(page.getByRole('heading', { name: '14 bags, all alike, 0 packed' })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('Shortcuts')
  await expect.poll(() => page.evaluate(() => getComputedStyle(document.activeElement!).outlineStyle)).not.toBe('none')
})

/**
 * Bytes of all scripts that a page fetches from now on, as they are sent.
 * @param request fetches them once more, also when the page has been closed
 */
function scriptsOf(page: Page, request: APIRequestContext): () => Promise<number> {
  // By address: one that is asked for twice is fetched once.
  const scripts = new Map<string, Promise<number>>()
  page.on('response', (response) => {
    const url = response.url()
    if (!url.endsWith('.js') || scripts.has(url)) return
    scripts.set(url, request.get(url).then(async answer => gzipSync(await answer.body()).length))
  })
  return async () => (await Promise.all(scripts.values())).reduce((sum, length) => sum + length, 0)
}

test('a class is light, whichever station is opened first', async ({ browser, request, baseURL }) => {
  const id = await demoClass(request, 'Light')
  for (const name of ['cards', 'papers', 'cutting', 'kits', 'evening']) {
    // A window that has seen nothing yet, with the card in space where it is reached for.
    const page = await (await browser.newContext({ baseURL, storageState: { cookies: [], origins: [] } })).newPage()
    const scripts = scriptsOf(page, request)
    await station(page, id, name)
    // Planned to the end: all that it takes has been fetched.
    await expect(page.getByRole('link', { name: /^Cutting/ })).toContainText('ready', { timeout: 60_000 })
    await page.context().close()
    const size = await scripts()
    // An evening is rehearsed by a worker that makes cards itself, and drawn as a chart.
    const most = name === 'evening' ? 660_000 : 540_000
    expect([name, size > 10_000, size < most]).toEqual([name, true, true])
  }
})

test('the list of classes is light and does not jump', async ({ page, request }) => {
  const scripts = scriptsOf(page, request)
  await page.addInitScript(() => {
    const shifts: number[] = ((window as unknown as { shifts: number[] }).shifts = [])
    new PerformanceObserver(list =>
      list.getEntries().forEach(entry => shifts.push((entry as unknown as { value: number }).value)),
    ).observe({ type: 'layout-shift', buffered: true })
  })
  await visit(page, '/')
  const size = await scripts()
  expect(size).toBeGreaterThan(10_000)
  // The files that every page shares, in few answers.
  expect(size).toBeLessThan(390_000)
  const shifts = await page.evaluate(() => (window as unknown as { shifts: number[] }).shifts)
  expect(shifts.reduce((sum, value) => sum + value, 0)).toBeLessThan(0.001)
})

test('the page answers while a plan is being looked for, and a newer change replaces it', async ({ page, request }) => {
  const id = await demoClass(request, 'Busy', (file) => {
    file.class.seats = 400
  })
  await station(page, id, 'cards')
  const border = page.getByLabel('Border')
  for (const value of ['1/4', '3/16', '1/8', '1/16', '1/8']) await border.fill(value)
  await expectSize(page, 'Mat on panel C', '4 in', '5 1/4 in')
  await page.getByRole('link', { name: /^Cutting/ }).click()
  await expect(page.getByRole('link', { name: /^Cutting/ })).toContainText('ready', { timeout: 30_000 })
  // The plan on screen is the one for the last border, not for one in between.
  await page.getByRole('navigation', { name: 'Papers to cut' }).getByRole('button', { name: /Chalk/ }).click()
  await expect(
    page.getByRole('region', { name: 'Layout 1' }).locator('title').filter({ hasText: 'Message panel' }).first(),
  ).toBeAttached()
  const { cards } = (await (await request.get(`/api/classes/${id}`)).json()).document
  expect(cards[0].parameters.border).toBe('1/8 in')
})
