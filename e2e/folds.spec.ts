import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { classNow, demoClass, expectSize, pieceRow, saved, station, typeNumber, visit } from './studio'

const NATURAL = {
  kits: null,
  parameters: {},
  papers: {},
  colourways: [],
  insteadOf: '',
  bags: [],
  envelope: '',
  faces: [],
  free: [],
  parts: [],
}

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
  const dialog = page.getByRole('dialog')
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
  const dialog = page.getByRole('dialog')
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
  await posting.getByLabel('Envelope').click()
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

test('a card is dressed to the last piece: a face bare, one with two layers, a topper of three', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'Dressed')
  await station(page, id, 'cards')
  await page.getByRole('button', { name: 'On its faces' }).click()
  const choose = async (name: string | RegExp) => {
    await page.getByRole('combobox', { name: 'Face to dress' }).click()
    await page.getByRole('option', { name }).click()
  }
  // What the catalogue puts there is what the maker begins with.
  await choose('Inner panel B, inside')
  await page.getByRole('button', { name: 'Take off mat on panel b' }).click()
  await expect(page.getByText('Nothing lies on this face.')).toBeVisible()
  await expect(pieceRow(page, 'Mat on panel B')).toHaveCount(0)

  await choose('Back panel C, outside')
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await page.getByRole('group', { name: 'Layer 1' }).getByLabel('Border').fill('1/4')
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await page.getByRole('group', { name: 'Layer 2' }).getByLabel('Kept free to write on').check()
  await expectSize(page, 'Message on Back panel C, outside', '3 1/2 in', '4 3/4 in')
  await saved(page)

  await page.getByRole('button', { name: 'Free pieces' }).click()
  await page.getByRole('button', { name: 'Add a piece' }).click()
  // Pulled along the flat pattern, and moved on by the arrow keys.
  const piece = page.getByRole('group', { name: /^Flat pattern/ }).getByRole('button', { name: /^Topper 1/ }).first()
  const left = page.getByLabel('From the left')
  const before = await left.inputValue()
  const { x, y, width } = (await piece.boundingBox())!
  await page.mouse.move(x + width / 2, y + 10)
  await page.mouse.down()
  await page.mouse.move(x + width / 2 + 20, y + 10, { steps: 4 })
  await page.mouse.up()
  await expect(left).not.toHaveValue(before)
  await left.fill('1')
  await piece.focus()
  await page.keyboard.press('ArrowRight')
  await expect(left).toHaveValue('1 1/16')
  await page.getByLabel('In a kit').fill('3')
  await page.getByLabel('From the left').fill('2 1/2')
  await expect(page.getByText(/sticks out of the closed card by 3\/4 in on the right/)).toBeVisible()
  await page.getByRole('button', { name: /^Set 1 3\/4 in/ }).first().click()
  await expect(page.getByText(/sticks out of the closed card/)).toHaveCount(0)
  await expect(pieceRow(page, 'Topper 1')).toContainText('48')
  await page.getByLabel('Outline from an SVG file').waitFor({ state: 'detached' })
  await page.getByRole('combobox', { name: 'Shape of Topper 1' }).click()
  await page.getByRole('option', { name: 'outline' }).click()
  const svg = '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0H20V10L10 20L0 10Z"/></svg>'
  const file = page.getByLabel('Outline from an SVG file')
  await file.setInputFiles({ name: 'shield.svg', mimeType: 'image/svg+xml', buffer: Buffer.from('<svg/>') })
  await expect(page.getByText('The SVG holds no path and no polygon.', { exact: false })).toBeVisible()
  await file.setInputFiles({ name: 'shield.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) })
  // The file is read before anything changes.
  const outlines = async () =>
    (await classNow(request, id)).document.cards[0].free.map(({ outline }: { outline: string }) => outline)
  await expect.poll(outlines).toEqual([expect.stringMatching(/^M.*Z$/)])
  await saved(page)

  const { document } = await classNow(request, id)
  expect(
    document.cards[0].faces.map(({ key, layers }: { key: string, layers: unknown[] }) => [key, layers.length]),
  ).toEqual([
    ['base--b--inside', 0],
    ['base--c--outside', 2],
  ])
  const shield = { count: 3, left: '1 3/4 in', shape: 'outline', outline: expect.stringMatching(/^M.*Z$/) }
  expect(document.cards[0].free[0]).toMatchObject(shield)
  // It goes back to the catalogue in one step, and undo brings it back.
  await page.getByRole('button', { name: 'On its faces' }).click()
  await choose(/^Inner panel B, inside/)
  await page.getByRole('button', { name: 'As in the catalogue' }).click()
  await expect(pieceRow(page, 'Mat on panel B')).toHaveCount(1)
  await page.getByRole('button', { name: 'Take back the last change' }).click()
  await expect(pieceRow(page, 'Mat on panel B')).toHaveCount(0)
})

test('mats come from a pool, and a topper is kept for another card', async ({ page, request }) => {
  const id = await demoClass(request, 'Pooled')
  await station(page, id, 'papers')
  const pools = page.getByRole('region', { name: 'Pools' })
  await pools.getByRole('button', { name: 'New pool' }).click()
  await pools.getByLabel('Name of the pool').fill('Shore prints')
  for (const print of ['Herring', 'Lantern']) {
    await pools.getByRole('combobox', { name: 'Into Shore prints' }).click()
    await page.getByRole('option', { name: print }).click()
  }
  await expect(pools.getByRole('listitem')).toHaveCount(2)
  await page.getByRole('combobox', { name: 'Mat on panel A of Harbour lantern' }).click()
  await page.getByRole('option', { name: 'Shore prints' }).click()
  await saved(page)
  const { document } = await classNow(request, id)
  expect(document.pools).toMatchObject([{ name: 'Shore prints', papers: ['herring', 'lantern'] }])
  await station(page, id, 'kits')
  await page.getByRole('button', { name: 'Seat 1', exact: false }).first().click()
  await expect(
    page.getByRole('region', { name: 'Seat 1' }).getByRole('listitem').filter({ hasText: 'Mat on panel A' }),
  ).toContainText(/Herring|Lantern/)

  await station(page, id, 'cards')
  await page.getByRole('button', { name: 'Free pieces' }).click()
  await page.getByRole('button', { name: 'Add a piece' }).click()
  await page.getByText('Before it is put on, and its glue').click()
  await page.getByLabel('First stamped').check()
  await page.getByLabel('Glued only in part').check()
  await page.getByLabel('No glue at the head, for').fill('3/4')
  await page.getByRole('button', { name: 'Keep Topper 1 for other cards' }).click()
  const name = `Flag ${Date.now()}`
  await page.getByLabel('Name of the piece').fill(name)
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.getByRole('button', { name: /^Two tides/ }).click()
  await page.getByRole('button', { name: 'Free pieces' }).click()
  await page.getByRole('combobox', { name: 'Add one that you kept' }).click()
  await page.getByRole('option', { name }).click()
  await saved(page)
  const now = (await classNow(request, id)).document
  expect(now.cards[1].free).toMatchObject([{ name, made: ['stamped'], glue: { top: '3/4 in' } }])
  const kept = (await (await request.get('/api/variants')).json()).find(
    (variant: { name: string }) => variant.name === name,
  )
  await request.delete(`/api/variants/${kept.id}`)
})

test('what is bought has a price, and a variant brings what is put on it', async ({ page, request }) => {
  const id = await demoClass(request, 'Bought')
  await station(page, id, 'cards')
  await page.getByRole('button', { name: 'Free pieces' }).click()
  await page.getByRole('button', { name: 'Add a piece' }).click()
  await page.getByRole('combobox', { name: 'What Topper 1 is' }).click()
  await page.getByRole('option', { name: 'solid' }).click()
  await saved(page)
  await station(page, id, 'kits')
  const costs = page.getByText('Costs', { exact: true })
  await costs.click()
  const row = page.getByRole('table', { name: 'What a kit costs' }).getByRole('row', { name: /^Harbour lantern/ })
  const before = await row.innerText()
  await page.getByText('Shopping', { exact: true }).click()
  await page.getByText('Tape, foam and what else is bought').click()
  const thing = page.getByRole('group', { name: 'Topper 1' })
  await thing.getByLabel('A pack costs, EUR').fill('1.50')
  await thing.getByLabel('Grams each').fill('2.5')
  await saved(page)
  await costs.click()
  await expect.poll(() => row.innerText()).not.toBe(before)
  const { document } = await classNow(request, id)
  expect(document.supplies).toContainEqual(
    expect.objectContaining({ key: 'topper-1', name: 'Topper 1', use: 'thing', price: 150, weight: 2.5 }),
  )
  // Bad dressing is refused by name, and nothing is kept.
  const variant = { name: `Bad ${Date.now()}`, fold: 'z-fold', units: 'inch', parameters: {} }
  const answer = await request.post('/api/variants', {
    data: { ...variant, dressing: { faces: [{ key: 'x' }], free: [] } },
  })
  expect([answer.status(), (await answer.json()).data.problems[0].path]).toEqual([
    422, expect.stringMatching(/^dressing\.faces/),
  ])
  const piece = await request.post('/api/variants', { data: { ...variant, fold: '' } })
  expect(piece.status()).toBe(422)
})

test('sizes typed in millimetres are asked about once in an inch class, and either answer is kept', async ({
  page, request,
}) => {
  const note = { key: 'note', title: 'Note', fold: 'plain-card', ...NATURAL }
  const id = await demoClass(request, 'Between marks', file => void (file.cards = [note]))
  await station(page, id, 'cards')
  const width = page.getByLabel('Finished width')
  await width.fill('105 mm')
  await width.blur()
  await expect(page.getByText(/^Finished width 105 mm lies between the marks of your trimmer/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep it as typed' }).click()
  await expect(page.getByText(/lies between the marks/)).toHaveCount(0)
  await expect(page.getByLabel('Sizes between marks')).toBeVisible()
  await saved(page)
  const height = page.getByLabel('Finished height')
  await height.fill('148 mm')
  await height.blur()
  await expect(page.getByText(/between the marks/)).toHaveCount(0)
  // Taken back, it is asked for both, and one press rounds both.
  await page.getByLabel('Sizes between marks').getByText('Ask me').click()
  await page.getByRole('button', { name: 'Set 4 1/8 in and 5 13/16 in' }).click()
  await expect(width).toHaveValue('4 1/8')
  await expect(height).toHaveValue('5 13/16')
})
