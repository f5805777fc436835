import type { Locator } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { demoClass, expectSize, pieceRow, opened, saved, station, typeNumber, visit } from './studio'

test('the trimmer is part of the class: a coarser mark makes smaller mats', async ({ page, request }) => {
  const id = await demoClass(request, 'Coarse mark', (file) => {
    file.cards[0].parameters.border = '3/16 in'
  })
  await station(page, id, 'cutting')
  await page.getByText('Your trimmer').click()
  await page.getByRole('combobox', { name: 'Smallest mark' }).click()
  await page.getByRole('option', { name: '1/8 in' }).click()
  await saved(page)
  await page.getByRole('link', { name: /^Pieces/ }).click()
  // 2 1/8 − 2 × 3/16 is 1 3/4; 4 1/4 − 3/8 is 3 7/8; 5 1/2 − 3/8 is 5 1/8: all on the coarse marks.
  await expectSize(page, 'Mat on panel A', '1 3/4 in', '5 1/8 in')
  await expectSize(page, 'Mat on panel C', '3 7/8 in', '5 1/8 in')
})

test('a short trimmer says which pieces it cannot cut', async ({ page, request }) => {
  const id = await demoClass(request, 'Short trimmer')
  await station(page, id, 'cutting')
  await page.getByText('Your trimmer').click()
  await page.getByLabel('Longest cut').fill('8')
  await page.getByLabel('Longest cut').blur()
  await page
    .getByRole('navigation', { name: 'Papers to cut' })
    .getByRole('button', { name: /Lantern/ })
    .click()
  await expect(page.getByText('The trimmer is too short for every sheet of this paper.').first()).toBeVisible()
  await page.getByLabel('Longest cut').fill('zero')
  await expect(page.getByText('is not a unit here')).toBeVisible()
})

test('what is missing on the shelf has to be bought, with its price', async ({ page, request }) => {
  const id = await demoClass(request, 'To buy', (file) => {
    file.class.seats = 60
    file.class.spares = 0
  })
  await station(page, id, 'kits')
  await page.getByText('Shopping', { exact: true }).click()
  const line = page.getByRole('region', { name: 'Shopping' }).getByRole('listitem')
    .filter({ hasText: 'Rust, Letter14' })
  // 60 inserts, three to a Letter sheet: 20 sheets, of which 6 are on hand.
  await expect(line).toContainText('14 sheets', { timeout: 30_000 })
  await expect(line).toContainText('needs 20 sheets, on hand 6 sheets, €6.72')
  await expect(page.getByRole('link', { name: /^Kits/ })).toContainText('needs you')
})

test('dearer tape makes a dearer kit', async ({ page, request }) => {
  await station(page, await demoClass(request, 'Prices'), 'kits')
  const costs = page.getByText('Costs', { exact: true })
  const kit = page.getByRole('table',
    { name: 'What a kit costs' }).getByRole('row').filter({ hasText: 'Two tides' }).getByRole('cell').last()
  await costs.click()
  await expect(kit).toContainText('€')
  const before = await kit.textContent()
  await page.getByText('Shopping', { exact: true }).click()
  await page.getByText('Tape, foam and what else is bought').click()
  await typeNumber(page.getByRole('group', { name: 'Tape', exact: true }).getByLabel('A pack costs'), '8.50', /^850$/)
  await costs.click()
  await expect(kit).not.toHaveText(before!)
  await saved(page)
})

test('one paper is replaced by another throughout a class, and Escape closes what was opened last', async ({
  page, request,
}) => {
  await station(page, await demoClass(request, 'Replaced'), 'papers')
  await page.getByRole('button', { name: 'Replace Rope throughout the class' }).click()
  const instead = page.getByRole('combobox', { name: 'Instead of Rope' })
  await instead.click()
  await expect(page.getByRole('option', { name: /^Ripple/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('option', { name: /^Ripple/ })).toHaveCount(0)
  await expect(instead).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(instead).toHaveCount(0)
  await page.getByRole('button', { name: 'Replace Rope throughout the class' }).click()
  await instead.click()
  await page.getByRole('option', { name: /^Ripple/ }).click()
  for (const part of ['Mat on front leaf', 'Mat on back leaf'])
    await expect(page.getByRole('combobox', { name: `${part} of Two tides` })).toContainText('Ripple')
  await expect(page.getByRole('button', { name: /^Replace Rope/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Take back the last change' }).click()
  await expect(page.getByRole('button', { name: /^Replace Rope/ })).toBeVisible()
  await saved(page)
})

test('a class with three cards, two new papers and a paper for every piece takes at most 40 clicks', async ({
  page,
}) => {
  let clicks = 0
  const click = async (target: Locator) => {
    clicks += 1
    await target.click()
  }
  const paper = `Lagoon ${Date.now()}`
  await visit(page, '/')
  await click(page.getByRole('button', { name: 'New class' }))
  await page.getByLabel('Title').fill('Counted in clicks')
  await click(page.getByRole('button', { name: 'Make the class' }))
  await click(page.getByRole('button', { name: /^Z-fold/ }))
  for (const fold of [/^Gatefold Two doors|^Gatefold/, /^Rising scene/]) {
    await click(page.getByRole('button', { name: 'Add a card' }))
    await click(page.getByRole('dialog').getByRole('button', { name: fold }).first())
  }
  await click(page.getByRole('link', { name: /^Papers/ }))
  const choose = (role: string) => click(page.getByRole('combobox', { name: `Paper of all ${role}` }))
  for (const [role, kind, name] of [['bases', 'New paper', paper], ['mats', 'New print', `${paper} waves`]] as const) {
    await choose(role)
    await click(page.getByRole('button', { name: kind }))
    await page.getByRole('dialog').getByLabel('Name').fill(name)
    await click(page.getByRole('dialog').getByRole('button', { name: 'Put it on the shelf' }))
    await expect(page.getByRole('combobox', { name: `Paper of all ${role}` })).toContainText(name)
  }
  for (const role of ['plates', 'inner sheets', 'messages', 'raised pieces', 'hidden parts', 'under the mats']) {
    if ((await page.getByRole('combobox', { name: `Paper of all ${role}` }).count()) === 0) continue
    await choose(role)
    await click(page.getByRole('option', { name: new RegExp(`^${paper} `) }).first())
  }
  await expect(page.getByText(/without a paper/)).toHaveCount(0)
  await expect(page.getByRole('link', { name: /^Papers/ })).toContainText('ready')
  await saved(page)
  expect(clicks).toBeLessThanOrEqual(40)
})

test('a print with a right way up holds its pieces upright, sideways decoration lays them down', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'Direction')
  await station(page, id, 'papers')
  await expect(page.getByText('print stands upright')).not.toHaveCount(0)
  await page.getByRole('link', { name: /^Cards/ }).click()
  await page.getByRole('button', { name: 'Sideways' }).click()
  await saved(page)
  await page.getByRole('link', { name: /^Papers/ }).click()
  await expect(page.getByText('print lies sideways')).not.toHaveCount(0)
})

test('the pieces say how each score is set on the board', async ({ page, request }) => {
  await station(page, await demoClass(request, 'Scores'), 'pieces')
  const base = pieceRow(page, 'Base').first()
  await expect(base).toContainText('Score at 4\u20091\u20444, whole height.')
  await expect(base).toContainText('Turn the sheet over like a page, back up. Score at 6\u20093\u20448, whole height.')
})

test('a class without cards says at every station what to do first', async ({ page, request }) => {
  const id = await demoClass(request, 'Bare', file => void (file.cards = []))
  for (const [name, words] of [
    ['cards', 'Which cards will you teach?'],
    ['papers', 'Papers are chosen for the parts of a card'],
    ['pieces', 'There are no pieces yet'],
    ['cutting', 'Nothing to cut yet'],
    ['kits', 'Kits are packed from cards'],
  ]) {
    await station(page, id, name!)
    await expect(page.getByText(words!)).toBeVisible()
  }
})

test('a class of none but spare kits, and a card of no kits, are planned as they are', async ({ page, request }) => {
  const id = await demoClass(request, 'Few', (file) => {
    file.class.seats = 1
    file.class.spares = 0
    file.cards[1].kits = 0
  })
  await station(page, id, 'kits')
  await expect(page.getByRole('region', { name: 'Seat 1' })).toContainText('Harbour lantern')
  await expect(page.getByRole('region', { name: 'Seat 1' })).not.toContainText('Two tides')
  await expect(page.getByRole('link', { name: /^Cutting/ })).toContainText('ready')
})

test('a paper is changed on the shelf and taken off it when nothing uses it', async ({ page }) => {
  await visit(page, '/papers')
  await page.getByRole('button', { name: 'Add a paper' }).click()
  const dialog = await opened(page)
  await dialog.getByLabel('Name').fill('Sandbank')
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByRole('heading', { name: 'Sandbank' })).toBeVisible()
  await page.getByRole('button', { name: 'Change Sandbank' }).click()
  await typeNumber(dialog.getByLabel('On hand of sheet 1'), '12')
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Sandbank' })).toContainText('12 × Letter')
  await page.getByRole('button', { name: 'Take Sandbank off the shelf' }).click()
  await page.getByRole('button', { name: 'Take it off' }).click()
  await expect(page.getByRole('heading', { name: 'Sandbank' })).toHaveCount(0)
})

test('what is set for the studio is what its next class starts with', async ({ page }) => {
  await visit(page, '/settings')
  await page.getByRole('combobox', { name: 'Currency' }).click()
  await page.getByRole('option', { name: 'CAD' }).click()
  await page.getByLabel('Longest cut').fill('13 1/2')
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
  await visit(page, '/')
  await page.getByRole('button', { name: 'New class' }).click()
  await page.getByLabel('Title').fill('Of a set studio')
  await page.getByRole('button', { name: 'Make the class' }).click()
  await expect(page.getByRole('heading', { name: 'Of a set studio' })).toBeVisible()
  const id = Number(/classes\/(\d+)/.exec(page.url())![1])
  const { document } = await (await page.request.get(`/api/classes/${id}`)).json()
  expect([document.prices.currency, document.tools.trimmer]).toEqual(['CAD', '13 1/2 in'])
})

test('a tour goes through a class, station by station, and can be left', async ({ page, request }) => {
  await station(page, await demoClass(request, 'Shown round'), 'kits')
  await page.getByRole('button', { name: 'Help' }).click()
  await page.getByLabel('Find a word').fill('fence')
  await expect(page.getByText('The stop of the trimmer')).toBeVisible()
  await page.getByRole('button', { name: 'Show me round' }).click()
  const tour = page.getByRole('complementary', { name: 'A look round' })
  for (const words of ['Change a number', 'Choose a paper for each role', 'Every piece to cut']) {
    await expect(tour).toContainText(words)
    await tour.getByRole('button', { name: 'Next' }).click()
  }
  await expect(page).toHaveURL(/\/cutting$/)
  await tour.getByRole('button', { name: 'Leave' }).click()
  await expect(tour).toHaveCount(0)
})

test('light and dark are kept for the next visit', async ({ page }) => {
  await visit(page, '/settings')
  await page.getByRole('button', { name: 'Dark', exact: true }).click()
  await expect(page.locator('html')).toHaveClass(/dark/)
  await page.reload()
  await expect(page.locator('html')).toHaveClass(/dark/)
})
