import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import type { Locator, Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { demoClass, opened, saved, station, typeNumber, visit } from './studio'
import { plainPaper } from '../core/document'

/** Planning and counting take their time on a busy machine. */
const PATIENT = { timeout: 60_000 }

/** Many kits, so that there is something to choose between sheets and time. */
const many = (file: { class: { seats: number, spares: number } }) =>
  void Object.assign(file.class, { seats: 60, spares: 0 })
async function paper(page: Page, id: number, name: string): Promise<void> {
  await station(page, id, `cutting?paper=${name}`)
  await expect(proof(page)).toContainText('sheet', PATIENT)
  await expect(proof(page)).not.toContainText('Still looking', PATIENT)
}
const proof = (page: Page) => page.locator('.proof')
const sheetsOf = async (page: Page) => Number.parseInt(await proof(page).innerText())

/** Everything of the class on one paper that no other test cuts from. */
const onPaper
  = (key: string, more = {}) =>
    (file: { papers: object[], cards: { papers: Record<string, string> }[] }) => {
      file.papers.push(plainPaper({
        key,
        name: `Slate ${key}`,
        kind: 'cardstock',
        weight: 240,
        colour: '#6b7480',
        stocks: [
          { key: 'sheets', width: '8 1/2 in', height: '11 in', onHand: 30, pack: 1, price: 50 },
          { key: 'square', width: '12 in', height: '12 in', onHand: 10, pack: 1, price: 90 },
        ],
        ...more,
      }))
      for (const card of file.cards) for (const part of Object.keys(card.papers)) card.papers[part] = key
    }

test('what counts most is a choice, and the cut in hand is shown in the drawing', async ({ page, request }) => {
  const id = await demoClass(request, 'Counts', many)
  await paper(page, id, 'chalk')
  const minutes = async () => Number(/about (\d+) min/.exec(await proof(page).innerText())![1])
  const before = await minutes()
  await page.getByRole('combobox', { name: 'What counts most' }).click()
  await page.getByRole('option', { name: 'Easy to cut' }).click()
  await saved(page)
  await expect.poll(minutes, PATIENT).toBeLessThanOrEqual(before)
  const order = page.getByRole('list', { name: 'Order of cuts' })
  await order.getByRole('listitem').first().focus()
  await expect(page.locator('line.cut')).not.toHaveCount(0)
  await page.keyboard.press('ArrowDown')
  await expect(order.getByRole('listitem').nth(1)).toBeFocused()
  await expect(page.locator('line.cut')).not.toHaveCount(0)
})

test('sheets are weighed against time for one paper, and the choice stays', async ({ page, request }) => {
  const id = await demoClass(request, 'Weighed')
  await paper(page, id, 'rope')
  const choices = page.getByRole('region', { name: 'What could be traded' })
  const [easy, balanced] = [/^Easy to cut/, /^Balanced/].map(name => choices.getByRole('button', { name })) as [
    Locator, Locator,
  ]
  await expect(easy).toContainText(/sheets? more, \d+ minutes? less/, PATIENT)
  await expect(choices.getByRole('button', { name: /^Least money/ })).toContainText('the same plan')
  const sheets = /\d+ sheets/.exec(await easy.innerText())![0]
  await easy.click()
  await expect(easy).toHaveAttribute('aria-pressed', 'true')
  await expect(proof(page)).toContainText(
    new RegExp(`^${sheets}, \\d+ sheets? more than the fewest and \\d+ minutes? less`),
  )
  await saved(page)
  await page.reload()
  await expect(easy).toHaveAttribute('aria-pressed', 'true', PATIENT)
  await page.getByRole('button', { name: 'As the class wants it (balanced)' }).click()
  await expect(balanced).toHaveAttribute('aria-pressed', 'true', PATIENT)
  await page.keyboard.press('Control+z')
  await expect(easy).toHaveAttribute('aria-pressed', 'true', PATIENT)
})

test('a paper that nothing can be traded for says so, and limits of the maker are kept to', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'Limits')
  await paper(page, id, 'kelp')
  await expect(
    page.getByText('Nothing can be traded: fewest sheets, least time and least money are all this plan.'),
  ).toBeVisible(PATIENT)
  await page.getByRole('navigation', { name: 'Papers to cut' }).getByRole('button', { name: /^Chalk/ }).click()
  const layouts = page.getByRole('group', { name: 'Layouts' }).getByRole('button')
  await expect(layouts).toHaveCount(2, PATIENT)
  // Letters on the drawing are explained below it.
  const key = page.getByRole('list', { name: 'Pieces on this sheet' })
  await expect(key).toContainText('Message panel (Harbour lantern)')
  await layouts.nth(1).click()
  await expect(key).toContainText('Message panel (Two tides)')
  await page.getByText('How you like to cut').click()
  await typeNumber(page.getByLabel('Most layouts of a paper'), '1')
  await expect(layouts).toHaveCount(0, PATIENT)
  await expect(proof(page)).toContainText('1 layout,')
})

test('a layout is kept and a format of the other units asked for, and what that costs is said', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'Kept', many)
  await paper(page, id, 'chalk')
  const before = await sheetsOf(page)
  // Sheets of the other units stay out of it until they are asked for; the last format stays in.
  const other = page.getByRole('checkbox', { name: 'A4 (metric sheet)' })
  await expect(other).not.toBeChecked()
  await expect(page.getByRole('checkbox', { name: 'Letter' })).toBeDisabled()
  const layout = page.getByRole('region', { name: 'Layout 1', exact: true })
  await layout.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('button', { name: 'Kept as it is' })).toHaveCount(1)
  await other.click()
  await expect(page.getByText(/What you fixed costs \d+ sheets? \(\d+ would do\)/)).toBeVisible(PATIENT)
  // The kept layout stays on its letter sheets.
  await expect(page.getByRole('button', { name: 'Kept as it is' })).toHaveCount(1)
  await saved(page)
  await page.reload()
  await page.getByRole('button', { name: 'Kept as it is' }).click()
  // With both formats fewer sheets would do; one layout of the one is worth a sheet.
  const choices = page.getByRole('region', { name: 'What could be traded' })
  await expect(choices.getByRole('button', { name: /^Fewest sheets/ })).toContainText(`${before - 1} sheets`, PATIENT)
  await other.click()
  await expect.poll(() => sheetsOf(page), PATIENT).toBe(before)
})

test('what is cut and what is spoiled is taken out of the plan and into it', async ({ page, request }) => {
  const id = await demoClass(request, 'Spoiled')
  await paper(page, id, 'chalk')
  const before = await sheetsOf(page)
  const note = page.getByRole('region', { name: 'Layout 1', exact: true })
  await typeNumber(note.getByLabel('Sheets of it that are cut'), '1')
  await note.getByRole('button', { name: 'are cut' }).click()
  await expect.poll(() => sheetsOf(page), PATIENT).toBe(before - 1)
  await expect(page.getByText('1 × Letter cut')).toBeVisible()
  // A whole lot of one piece is spoiled: it has to be cut again.
  const row = page.getByRole('table', { name: 'Pieces of this paper' }).getByRole('row').nth(1)
  const missing = Number(await row.getByRole('cell').last().innerText())
  await typeNumber(row.getByRole('textbox'), '8')
  await expect(row.getByRole('cell').last()).toHaveText(String(missing + 8))
  await expect.poll(() => sheetsOf(page), PATIENT).toBeGreaterThanOrEqual(before)
  await saved(page)
  await page.reload()
  await expect(page.getByText('1 × Letter cut')).toBeVisible()
  await page.getByRole('button', { name: 'Not cut after all' }).click()
  await expect(page.getByText('1 × Letter cut')).toHaveCount(0)
})

test('offcuts that a plan leaves go onto the shelf and are used by the next plan', async ({ page, request }) => {
  const id = await demoClass(
    request,
    'Leftovers',
    (file: Parameters<ReturnType<typeof onPaper>>[0] & { wishes: { offcutsFirst: boolean } }) => {
      onPaper('slate-left', {
        stocks: [{ key: 'sheets', width: '12 in', height: '12 in', onHand: 30, pack: 1, price: 90 }],
        offcuts: [{ key: 'offcut', width: '11 1/2 in', height: '11 1/2 in', count: 1 }],
      })(file)
      // Without that the offcut is used only where it makes the plan cheaper.
      file.wishes.offcutsFirst = true
    },
  )
  await paper(page, id, 'slate-left')
  const left = page.getByRole('region', { name: 'What is left' })
  await expect(left).toContainText('Uses up offcuts')
  await left.getByRole('button', { name: 'All of it is cut: bring the shelf up to date' }).click()
  await expect(page.getByText('The shelf of Slate slate-left is up to date.')).toBeVisible()
  // What is cut is not planned again from what it left.
  await expect(page.getByText(/cut, off the shelf/).first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'Layout 1', exact: true })).toHaveCount(0, PATIENT)
  await saved(page)
  await visit(page, '/papers')
  await expect(page.getByRole('listitem').filter({ hasText: 'Slate slate-left' })).not.toContainText('11 1/2 in')
})

test('kits are counted from the drawer, formats and sizes compared', async ({ page, request }) => {
  const id = await demoClass(request, 'Counted')
  await station(page, id, 'cutting')
  const drawer = page.getByRole('region', { name: 'What the drawer gives' })
  await drawer.getByRole('button', { name: 'Count the kits' }).click()
  await expect(drawer.getByText(/^\d+ kits? from what is on hand; .+ runs? out first/)).toBeVisible(PATIENT)
  const sheets = page.getByRole('region', { name: 'Kits from one sheet' })
  await sheets.getByRole('button', { name: 'Compare formats and sizes' }).click()
  await expect(sheets.getByRole('button', { name: 'Compare formats and sizes' })).toBeVisible(PATIENT)
  const letter = sheets.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'Letter', exact: true }) })
  await expect(letter.getByRole('cell').first()).toHaveText(/^\d+$/)
  const hint = sheets.getByRole('list', { name: 'Sizes that give more' }).getByRole('listitem').first()
  await expect(hint).toContainText(/of .+ gives \d+ kits instead of \d+ from 4 sheets of/)
  await hint.getByRole('button').click()
  await saved(page)
  // The figures were for the old size.
  await expect(hint).toHaveCount(0)
})

test('cuts are handed out as CSV and layouts as drawings in real size', async ({ page, request }) => {
  const id = await demoClass(request, 'Handed out')
  await paper(page, id, 'chalk')
  const text = async (press: () => Promise<void>) => {
    const [file] = await Promise.all([page.waitForEvent('download'), press()])
    return readFileSync(await file.path(), 'utf8')
  }
  const csv = await text(() => page.getByRole('button', { name: 'Cuts as CSV' }).click())
  expect(csv.split('\n')[0]).toContain('Paper,Step,Setting,In hand,How many,Width,Height,Fence,Read at')
  expect(csv).toContain('Message panel')
  const svg = await text(() => page.getByRole('button', { name: 'Sheet 1 as SVG in real size' }).click())
  expect(svg).toContain('width="215.9mm"')
  expect(svg).toContain('Message panel')
})

test('hidden parts are cut from any scrap', async ({ page, request }) => {
  const id = await demoClass(request, 'Scraps')
  await station(page, id, 'cards')
  await page.getByRole('button', { name: 'Add a card' }).click()
  await page.getByRole('button', { name: /^Rising scene/ }).click()
  await page.getByRole('link', { name: /^Papers/ }).click()
  // What the class has no paper for yet is nobody's choice: the rest is filled in, the guides are cut from scrap.
  await page.getByRole('button', { name: 'Take usual papers from the shelf' }).click()
  await page.getByRole('combobox', { name: 'Paper of all hidden parts' }).click()
  await page.getByRole('option', { name: /^Any scrap/ }).click()
  await saved(page)
  await page.getByRole('link', { name: /^Cutting/ }).click()
  await page
    .getByRole('navigation', { name: 'Papers to cut' })
    .getByRole('button', { name: /Any scrap/ })
    .click(PATIENT)
  await expect(proof(page)).toContainText('No fresh sheet: offcuts are enough', PATIENT)
  await expect(page.getByRole('heading', { name: /leftover of/ }).first()).toBeVisible()
})

test('a paper keeps its grain and its offcuts, and refuses what is no size', async ({ page }) => {
  await visit(page, '/papers')
  await page.getByRole('button', { name: 'Add a paper' }).click()
  const dialog = await opened(page)
  await dialog.getByLabel('Name').fill('Saltmarsh')
  await dialog.getByRole('combobox', { name: 'Grain of the sheet' }).click()
  await page.getByRole('option', { name: 'along the height' }).click()
  await dialog.getByRole('button', { name: 'Add an offcut' }).click()
  await dialog.getByLabel('Width of offcut 1').fill('a hand')
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(dialog.getByText(/Offcut 1: width is not a length/)).toBeVisible()
  await dialog.getByLabel('Width of offcut 1').fill('3 in')
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(dialog).toHaveCount(0)
  const kept = page.getByRole('listitem').filter({ hasText: 'Saltmarsh' })
  await expect(kept).toContainText('grain along the height')
  for (const words of ['3 in', '4 1/4 in', 'offcut']) await expect(kept).toContainText(words)
})

test('the order of cuts in the browser is that of the command line, to the last sign', async ({ page, request }) => {
  const id = await demoClass(request, 'Same everywhere', (file) => {
    // As it was planned when it was saved last does not matter: both plan it from nothing.
    file.wishes.priority = 'easy'
  })
  await station(page, id, 'cutting')
  const save = page.getByRole('button', { name: 'Cuts as CSV' })
  await expect(save).toBeEnabled(PATIENT)
  const [download] = await Promise.all([page.waitForEvent('download'), save.click()])
  const file = await (await request.get(`/api/classes/${id}/file`)).text()
  const planned = ['scripts/run.mjs', 'wakaru', 'order', '-', '--csv']
  const { stdout } = spawnSync('node', planned, { encoding: 'utf8', input: file })
  expect(stdout.length).toBeGreaterThan(1000)
  expect((await readFile(await download.path(), 'utf8')).trimEnd()).toBe(stdout.trimEnd())
})
