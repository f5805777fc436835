import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { demoClass, expectSize, pieceRow, opened, saved, station, typeNumber, visit } from './studio'
import { NATURAL } from './natural'

test('folds of every kind can be added and have nothing to settle', async ({ page, request }) => {
  const id = await demoClass(request, 'All kinds', file => void (file.cards = []))
  await station(page, id, 'cards')
  for (const fold of ['Easel', 'Step pop-up', 'Gatefold with shutter', 'Corner stage', 'Your own strip']) {
    const add = page.getByRole('button', { name: 'Add a card' })
    if (await add.isVisible()) await add.click()
    await page.getByRole('textbox', { name: 'Find' }).fill(fold)
    await page
      .getByRole('list', { name: 'Folds to add' })
      .getByRole('button', { name: new RegExp(`^${fold}`) })
      .click()
    await expect(page.getByLabel('Name of the card')).toHaveValue(fold)
    await expect(page.getByRole('img', { name: 'Folded card' }).locator('path.panel')).not.toHaveCount(0)
  }
  await expect(page.getByRole('link', { name: /^Cards/ })).toContainText('ready')
  await saved(page)
})

test('the catalogue finds folds by what they do and compares them', async ({ page }) => {
  await visit(page, '/folds')
  const tiles = page.getByRole('list', { name: 'Folds' }).getByRole('listitem')
  await expect(tiles).toHaveCount(26)
  await page.getByLabel('Find').fill('gate')
  await expect(tiles.getByRole('heading')).toHaveText(['Back-gate stand', 'Gatefold', 'Gatefold with shutter'])
  await page.getByLabel('Stands by itself').click()
  await expect(tiles.getByRole('heading')).toHaveText(['Back-gate stand'])
  await page.getByLabel('Find').fill('no such fold')
  await expect(page.getByText('No fold does all that')).toBeVisible()
  await page.getByLabel('Find').fill('')
  await page.getByLabel('Kind of fold').click()
  await page.getByRole('option', { name: 'Boxes and corners' }).click()
  await expect(tiles.getByRole('heading')).toHaveText(['Box frame', 'Corner stage'])
  await page.getByLabel('Posts flat').click()
  await expect(tiles.getByRole('heading')).toHaveText(['Corner stage'])
  await page.getByLabel('Posts flat').click()
  await page.getByLabel('Compare Box frame').check()
  await page.getByLabel('Compare Corner stage').check()
  const table = page.getByRole('table', { name: 'Compared folds' })
  await expect(table.getByRole('columnheader')).toHaveText(['', 'Box frame', 'Corner stage'])
  await expect(table.getByRole('row', { name: /^Thickness/ })).toContainText('too thick for a flat letter')
})

test('a fold is tried out in the catalogue, kept as a variant, and added to a class', async ({ page, request }) => {
  await visit(page, '/folds/step-popup')
  const label = page.getByText('Height of the middle figure', { exact: true })
  await label.scrollIntoViewIfNeeded()
  const { x, y } = (await label.boundingBox())!
  await page.mouse.move(x + 10, y + 8)
  await page.mouse.down()
  await page.mouse.move(x + 30, y + 8, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByLabel('Height of the middle figure')).toHaveValue('2 1/2')
  await page.getByLabel('Height of the middle figure').fill('3 in')
  await page.getByRole('button', { name: 'Set 2 13/16 in' }).first().click()
  await expect(page.getByLabel('Height of the middle figure')).toHaveValue('2 13/16')
  await expect(
    page.getByRole('table', { name: 'Pieces of Step pop-up' }).getByRole('row', { name: /Middle figure/ }),
  ).toContainText('2 13/16 in')
  await page.getByRole('button', { name: 'Keep as variant' }).click()
  const dialog = await opened(page)
  await dialog.getByLabel('Name of the variant').fill(' ')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(dialog).toContainText('cannot be empty')
  await dialog.getByLabel('Name of the variant').fill('Tall steps')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(dialog).toHaveCount(0)

  const id = await demoClass(request, 'With a variant')
  await station(page, id, 'cards')
  await page.getByRole('button', { name: 'Add a card' }).click()
  await page.getByRole('button', { name: /^Tall steps/ }).click()
  await expectSize(page, 'Middle figure', '3/4 in', '2 13/16 in')

  await visit(page, '/folds')
  await page.getByRole('button', { name: 'Remove Tall steps' }).click()
  await expect(page.getByText('“Tall steps” was removed')).toBeVisible()
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(page.getByRole('region', { name: 'Your variants' })).toContainText('Tall steps')
  await page.getByRole('button', { name: 'Remove Tall steps' }).click()
})

test('sizes follow the card until they are typed, and a fold goes into a class with what was tried', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'From the catalogue')
  await visit(page, '/folds/z-fold')
  await page.getByLabel('Finished width').fill('3')
  await expect(page.getByLabel('Plate width')).toHaveValue('2 1/4')
  await page.getByLabel('Plate width').fill('2')
  await page.getByLabel('Finished width').fill('4')
  await expect(page.getByLabel('Plate width')).toHaveValue('2')
  await page.getByRole('button', { name: 'Plate width as usual' }).click()
  await expect(page.getByLabel('Plate width')).toHaveValue('3')
  await page.getByRole('combobox', { name: 'Add to a class' }).click()
  await page.getByRole('searchbox').fill('From the catalogue')
  await page.getByRole('option', { name: 'From the catalogue' }).first().click()
  await expect(page).toHaveURL(new RegExp(`/classes/${id}/cards`))
  await expect(page.getByLabel('Finished width')).toHaveValue('4')
  await expectSize(page, 'Plate', '3 in', '3 1/2 in')
  await page.goto(`/print/${id}/masks`)
  await expect(page.getByText('White is seen', { exact: false }).first()).toBeVisible()
})

test('variants that make no sense are refused', async ({ request }) => {
  const keep = (data: object) => request.post('/api/variants', { data })
  const good = { name: 'Good', fold: 'bridge', units: 'inch', parameters: { depth: '1 in' } }
  expect((await keep({ ...good, fold: 'castle' })).status()).toBe(422)
  expect((await (await keep({ ...good, parameters: { depth: 'deep' } })).json()).data.problems[0].path).toBe(
    'parameters.depth',
  )
  expect((await keep({ ...good, units: 'feet' })).status()).toBe(422)
  const first = await keep(good)
  expect(first.status()).toBe(201)
  expect((await keep(good)).status()).toBe(409)
  expect((await request.delete(`/api/variants/${(await first.json()).id}`)).ok()).toBe(true)
  expect((await request.delete('/api/variants/none')).status()).toBe(404)
})

test('scores from somebody’s notes are typed, folded and resized', async ({ page, request }) => {
  await station(page, await demoClass(request, 'Own strip', file => void (file.cards = [])), 'cards')
  await page.getByRole('button', { name: /^Your own strip/ }).click()
  const scores = page.getByLabel('Scores', { exact: true })
  await scores.fill('2 1/8 sideways')
  await expect(page.getByText('is not of the form')).toBeVisible()
  await scores.fill('2 1/8 m 60, 4 1/4 v 60')
  await page.getByLabel('Blank width').fill('8 1/2')
  await expect(page.getByText('is 4 1/4 wide and 5 1/2 high')).toBeVisible()
  await expectSize(page, 'Mat on panel 3', '4 in', '5 1/4 in')
  // A click on a crease folds it the other way; another one back again.
  const crease = page.getByRole('group', { name: 'Flat pattern of Base' }).locator('.flips').first()
  await crease.click({ force: true })
  await expect(scores).toHaveValue('2 1/8 in valley 60, 4 1/4 in valley 60')
  await crease.click({ force: true })
  await expect(scores).toHaveValue('2 1/8 in mountain 60, 4 1/4 in valley 60')
  await page.getByRole('button', { name: 'More for Your own strip' }).click()
  await page.getByRole('menuitem', { name: 'Another size' }).click()
  const dialog = await opened(page)
  await typeNumber(dialog.getByLabel('Percent of the size'), '50')
  await dialog.getByRole('button', { name: 'Take this size' }).click()
  await expect(scores).toHaveValue('1 1/16 in mountain 60, 2 1/8 in valley 60')
  await expectSize(page, 'Base', '4 1/4 in', '2 3/4 in')
  await page.getByRole('button', { name: 'Take back the last change' }).click()
  await expectSize(page, 'Base', '8 1/2 in', '5 1/2 in')
})

test('a card says how thick it is, which envelope it wants and what that costs', async ({ page, request }) => {
  const id = await demoClass(request, 'Posting')
  await station(page, id, 'cards')
  const posting = page.getByRole('region', { name: 'What it needs' })
  await expect(posting).toContainText('mm thick')
  await expect(posting).toContainText('flat letter')
  await posting.getByLabel('Envelope', { exact: true }).click()
  await page.getByRole('option', { name: 'Long envelope' }).click()
  await expect(page.getByRole('list', { name: 'Findings' })).toContainText('“Long envelope”')
  await saved(page)

  await station(page, id, 'kits')
  await page.getByText('Costs', { exact: true }).click()
  await page.getByText('Envelopes and posting').click()
  await page.getByLabel('Name of envelope 6').fill('Wide envelope')
  await page.getByRole('group', { name: 'Envelope 6' }).getByLabel('Width').fill('200 mm')
  await saved(page)
  const file = await (await request.get(`/api/classes/${id}/file`)).json()
  expect(file.post.envelopes[5]).toMatchObject({ name: 'Wide envelope' })
  expect(file.cards[0].envelope).toBe('long')
})

test('the score card prints every score in its order, with slits, windows and steps', async ({ page, request }) => {
  const id = await demoClass(
    request,
    'Scores',
    file =>
      void (file.cards = [
        { key: 'stage', title: 'Stage', fold: 'book-stage', ...NATURAL },
        { key: 'frame', title: 'Frame', fold: 'floating-window', ...NATURAL },
      ]),
  )
  await station(page, id, 'pieces')
  await page.getByRole('link', { name: 'Score cards to print' }).click()
  const scores = page.getByRole('listitem').filter({ hasText: /Score at|^Turn/ })
  await expect(scores.first()).toHaveText('Inside up. Score at 1\u20091\u20444, from 3\u20444 to 4\u20091\u20442.')
  await expect(page.getByText(/^Slit level at 3\u20444 up from the foot/)).toBeVisible()
  await expect(page.getByText(/; keep the .*drop-out/)).toHaveCount(2)
  await expect(page.getByText('No glue on risers, pages or links.')).toBeVisible()
})

test('the card is seen in space where the browser can, and its creases are marked', async ({ page, request }) => {
  test.slow()
  await page.addInitScript(() =>
    ['wakaru-drawn-view', 'wakaru-drawer'].forEach(name => localStorage.setItem(name, 'false')),
  )
  await station(page, await demoClass(request, 'In space'), 'cards')
  const stage = page.locator('canvas[aria-label="Folded card"]')
  // It is drawn until somebody reaches for it.
  await expect(page.getByRole('img', { name: 'Folded card' }).locator('path.panel')).not.toHaveCount(0)
  await page.getByRole('region', { name: 'Folded card' }).hover()
  await expect(stage).toBeVisible()
  const picture = async () => (await stage.screenshot()).toString('base64')
  await expect.poll(async () => (await picture()).length).toBeGreaterThan(5000)
  const open = await picture()
  await page.getByRole('slider', { name: 'Open' }).fill('5')
  await expect.poll(picture).not.toBe(open)
  await page.getByRole('button', { name: 'Creases' }).click()
  await expect(page.getByRole('button', { name: 'Creases' })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'Line drawing' }).click()
  await expect(stage).toHaveCount(0)
  await expect(page.getByRole('img', { name: 'Folded card' }).locator('path.panel')).not.toHaveCount(0)
})

test('slits and windows are in the files for a cutting machine', async ({ page, request }) => {
  const id = await demoClass(
    request,
    'Machine',
    file =>
      void (file.cards = [{ key: 'stage', title: 'Stage', fold: 'book-stage', ...NATURAL }]),
  )
  await station(page, id, 'cards')
  const [download] = await Promise.all([
    page.waitForEvent('download'), page.getByRole('link', { name: 'SVG of Inner sheet' }).click(),
  ])
  const svg = await readFile(await download.path(), 'utf8')
  for (const layer of ['cut', 'slit', 'score-valley', 'score-mountain']) expect(svg).toContain(`id="${layer}"`)
  await expect(pieceRow(page, 'Inner sheet')).toContainText('2 slits')
})
