import { expect, test } from '@playwright/test'
import { classNow, demoClass, expectSize, pieceRow, saved, station } from './studio'
import { NATURAL } from './natural'

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
  await page.getByText('What is done to it, and its glue').click()
  await page.getByRole('button', { name: /^Add a work to / }).last().click()
  await page.getByLabel(/^What it shows, Work 1 of /).fill('low tide')
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
  expect(now.cards[1].free).toMatchObject([
    { name, works: [{ technique: 'stamp', shows: 'low tide' }], glue: { top: '3/4 in' } },
  ])
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

test('steps are told in the maker’s words, moved, and joined by one of their own', async ({ page, request }) => {
  const id = await demoClass(request, 'Told', (file) => {
    for (const card of file.cards) Object.assign(card, { steps: [], note: '' })
  })
  await station(page, id, 'cards')
  await page.getByRole('button', { name: 'Steps', exact: true }).click()
  const step = (words: string | RegExp) => page.getByRole('button', { name: words })
  // The stamp comes before its piece is put on: it can come later, but not sooner than everything.
  await expect(page.getByRole('button', { name: 'Step 1 sooner' })).toBeDisabled()
  await page.getByRole('button', { name: 'Step 1 later' }).click()
  await expect(step(/^Step 2: Stamp “Safe harbour”/)).toBeVisible()

  await step(/^Step 5: Tape the message panel/).click()
  const words = page.getByLabel('Your words; in braces stands the size of a piece')
  await words.fill('Tape the greeting, {message}, to panel C.')
  await expect(step('Step 5: Tape the greeting, 3 3/4 × 5 in, to panel C.')).toBeVisible()
  await page.getByRole('button', { name: 'A step after this' }).click()
  await step('Step 6: Your own step').click()
  await words.fill('Breathe.')
  await page.getByLabel('Note on the hand-out').fill('Foam holds at once.')
  await saved(page)
  const { document: { cards: [card] } } = await classNow(request, id)
  expect(card.steps.map(({ words }: { words: string }) => words))
    .toEqual(['', 'Tape the greeting, {message}, to panel C.', 'Breathe.'])

  // The hand-out tells it so.
  await page.goto(`/print/${id}?only=handouts`)
  await expect(page.getByText('5. Tape the greeting, 3 3⁄4 × 5 in, to panel C.').or(
    page.getByText(/5\. Tape the greeting, 3.3.4.*to panel C\./)).first()).toBeVisible()
  await expect(page.getByText('6. Breathe.').first()).toBeVisible()
  await expect(page.getByText('Foam holds at once.').first()).toBeVisible()
})
