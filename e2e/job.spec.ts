import { expect, test } from '@playwright/test'
import { demoClass, expectSize, lookFor, pieceRow, saved, station, typeNumber, visit } from './studio'

test('the demo studio is there with its classes', async ({ page }) => {
  await visit(page, '/')
  for (const title of ['Tide and Lantern', 'Paper Boats, children\'s afternoon', 'First Frost by post']) {
    await lookFor(page, title)
    await expect(page.getByRole('link', { name: title, exact: true })).toBeVisible()
  }
})

test('from a new class to cut sheets, kits and print, and everything is there after a reload', async ({ page }) => {
  await visit(page, '/')
  await page.getByRole('button', { name: 'New class' }).click()
  await page.getByLabel('Title').fill('Evening by the quay')
  await typeNumber(page.getByLabel('Seats'), '8')
  await typeNumber(page.getByLabel('Spare bags'), '1')
  await page.getByRole('button', { name: 'Make the class' }).click()
  await expect(page.getByRole('heading', { name: 'Evening by the quay' })).toBeVisible()

  await page.getByRole('button', { name: /^Z-fold/ }).click()
  await expectSize(page, 'Mat on panel C', '4 in', '5 1/4 in')
  await expect(pieceRow(page, 'Base')).toContainText('9')

  await page.getByLabel('Border').fill('1/4')
  await expectSize(page, 'Mat on panel C', '3 3/4 in', '5 in')
  await expect(pieceRow(page, 'Mat on panel C')).toContainText('Back panel C 4 1/4 − 2 × Border 1/4')
  await page.getByLabel('Border').blur()
  await page.keyboard.press('Control+z')
  await expectSize(page, 'Mat on panel C', '4 in', '5 1/4 in')
  await page.keyboard.press('Control+Shift+z')
  await expectSize(page, 'Mat on panel C', '3 3/4 in', '5 in')
  await saved(page)

  await page.getByRole('link', { name: /^Papers/ }).click()
  await page.getByRole('button', { name: 'Take usual papers from the shelf' }).click()
  await page.getByRole('link', { name: /^Cutting/ }).click()
  await expect(page.getByRole('heading', { name: 'Sheets needed against sheets on hand' })).toBeVisible()
  await page.getByRole('navigation', { name: 'Papers to cut' }).getByRole('button', { name: /Chalk/ }).click()
  await expect(
    page.getByText(/^\d+ sheets?(, and it cannot be done with fewer|; fewer than \d+ is impossible)/),
  ).toBeVisible()
  await expect(page.getByRole('list', { name: 'Order of cuts' }).first().getByRole('listitem').first()).toContainText(
    'fence',
  )

  await page.getByRole('link', { name: /^Kits/ }).click()
  await page.getByRole('button', { name: 'Seat 3', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Seat 3' })).toContainText('In the bag')

  await page.reload()
  await expect(page.getByRole('heading', { name: 'Evening by the quay' })).toBeVisible()
  await page.getByRole('link', { name: /^Pieces/ }).click()
  await expectSize(page, 'Mat on panel C', '3 3/4 in', '5 in')
  await visit(page, '/')
  await lookFor(page, 'Evening by the quay')
  await expect(page.getByRole('link', { name: 'Evening by the quay' })).toBeVisible()
})

test('a finding offers the right value, and taking it settles the card', async ({ page, request }) => {
  await station(page, await demoClass(request, 'Findings'), 'cards')
  await page.getByLabel('Plate width').fill('4 1/8')
  const finding = page.getByRole('list', { name: 'Findings' }).getByRole('listitem').filter({ hasText: 'Plate width' })
  await expect(finding).toContainText('must be at most 4 in')
  await expect(page.getByRole('link', { name: /^Cards/ })).toContainText('needs you')
  // At its field as well as above all fields.
  await expect(page.locator('[data-parameter=plateWidth]').getByRole('button', { name: 'Set 4 in' })).toBeVisible()
  await finding.getByRole('button', { name: 'Set 4 in' }).click()
  await expect(finding).toHaveCount(0)
  await expect(page.getByLabel('Plate width')).toHaveValue('4')
  await expect(page.getByRole('link', { name: /^Cards/ })).toContainText('ready')
})

test('cards are added, copied, given their own number of kits and removed', async ({ page, request }) => {
  await station(page, await demoClass(request, 'Cards'), 'cards')
  await page.getByRole('button', { name: 'Add a card' }).click()
  await page.getByRole('dialog').getByRole('button', { name: /^Crossing flaps/ }).click()
  await expect(page.getByLabel('Name of the card')).toHaveValue('Crossing flaps')
  await typeNumber(page.getByLabel('Kits of this card'), '5')
  await expect(pieceRow(page, 'Insert').getByRole('cell', { name: '5', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'More for Crossing flaps' }).click()
  await page.getByRole('menuitem', { name: 'Copy this card' }).click()
  await expect(page.getByRole('link', { name: /^Cards/ })).toContainText('4 cards')
  await page.getByRole('button', { name: /^Crossing flaps 2/ }).click()
  await page.getByRole('button', { name: 'More for Crossing flaps 2' }).click()
  await page.getByRole('menuitem', { name: 'Remove this card' }).click()
  await expect(page.getByRole('link', { name: /^Cards/ })).toContainText('3 cards')
  await page.getByRole('button', { name: 'Take back the last change' }).click()
  await expect(page.getByRole('link', { name: /^Cards/ })).toContainText('4 cards')
  await saved(page)
})

test('the folded card opens, turns and shows the part that is picked', async ({ page, request }) => {
  await station(page, await demoClass(request, 'Folded'), 'cards')
  const card = page.getByRole('img', { name: 'Folded card' })
  const shape = () =>
    card.locator('path.panel').evaluateAll(panels => panels.map(panel => panel.getAttribute('d')).join())
  const before = await shape()
  await page.getByLabel('Open', { exact: true }).fill('10')
  const nearlyClosed = await shape()
  expect(nearlyClosed).not.toBe(before)
  await page.getByLabel('Turn', { exact: true }).fill('150')
  expect(await shape()).not.toBe(nearlyClosed)
  await pieceRow(page, 'Plate').click()
  await expect(card.locator('path.chosen')).toHaveCount(1)
})

test('another paper changes the cutting', async ({ page, request }) => {
  const id = await demoClass(request, 'Papers')
  await station(page, id, 'papers')
  await page.getByRole('combobox', { name: 'Bases of Harbour lantern' }).click()
  await page.getByRole('option', { name: /^Ink/ }).click()
  await saved(page)
  await page.getByRole('link', { name: /^Cutting/ }).click()
  const papers = page.getByRole('navigation', { name: 'Papers to cut' })
  await expect(papers.getByRole('button', { name: /^Ink/ })).toBeVisible()
  await expect(papers.getByRole('button', { name: /Kelp/ })).toHaveCount(0)
})

test('print pages hold every paper and every seat', async ({ page, request }) => {
  const id = await demoClass(request, 'Printed')
  await page.goto(`/print/${id}/cutting`)
  await expect(page.getByRole('heading', { level: 2, name: 'The class at the trimmer' })).toBeVisible()
  await page.getByRole('button', { name: 'Paper by paper' }).click()
  await expect(page.getByRole('heading', { level: 2 })).toHaveCount(9)
  await expect(page.getByText('cut away from the body')).toBeVisible()
  const sheets = await page.pdf({ preferCSSPageSize: true })
  expect(sheets.toString('latin1').match(/\/Type\s*\/Page\b/g)!.length).toBeLessThanOrEqual(8)

  await page.goto(`/print/${id}/kits`)
  await expect(page.getByText(/☐.Seat.1 .*☐.Seat.14 .*☐.Spare.2/)).toBeVisible()
  await page.getByLabel('One list for each bag').click()
  await expect(page.getByRole('heading', { name: /^(Seat|Spare) / })).toHaveCount(16)
  await expect(page.getByText('or the card is shut for good')).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
})
