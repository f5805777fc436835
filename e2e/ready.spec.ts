import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { choose, classNow, demoClass, saved, sharedClass, station, typeNumber } from './studio'

/** The parts of the panel beside the bags. */
const beside = (name: string) => `role=group[name="What is shown beside the bags"] >> text="${name}"`
const PATIENT = { timeout: 45_000 }

test('a bag is made ready otherwise than the others: its list, what is brought and the pieces follow', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'Made ready')
  await station(page, id, 'kits')
  const tape = page.getByRole('link', { name: /^Pieces/ })
  await expect(tape).toContainText('224 pieces')
  await page.getByRole('table', { name: 'Bags' }).getByRole('button', { name: 'Seat 2', exact: true }).click()
  const bag = page.getByRole('region', { name: 'Seat 2' })
  await choose(page, bag.getByRole('combobox', { name: 'Made ready' }), 'Own stash')
  await saved(page)
  // Eight mats of two cards are neither cut nor packed for it.
  await expect(tape).toContainText('216 pieces')
  await expect(bag.getByRole('heading', { name: 'To be brought' })).toBeVisible()
  await expect(bag.getByRole('listitem').filter({ hasText: 'Tape, foam and glue' })).toBeVisible()
  await expect(bag.getByRole('listitem').filter({ hasText: '1 × Base' }).first()).toContainText('cut and scored')
  await page.getByRole('button', { name: 'Take back the last change' }).click()
  await expect(tape).toContainText('224 pieces')
})

test('a role of the whole class goes along uncut, which gives strips to cut and fewer pieces, and the minutes follow',
  async ({ page, request }) => {
    const id = await demoClass(request, 'Uncut')
    await station(page, id, 'kits')
    await page.locator(beside('Made ready')).click()
    const panel = page.getByRole('region', { name: 'Made ready' })
    await choose(page, panel.getByRole('combobox', { name: 'Messages' }), 'uncut')
    await choose(page, panel.getByRole('combobox', { name: 'Bases' }), 'cut and scored')
    await saved(page)
    await expect(panel.getByRole('row').filter({ hasText: '16 × Base (Harbour lantern)' })).toContainText('Score')
    await page.locator(beside('The bag')).click()
    const strip = page.getByRole('listitem').filter({ hasText: 'Strip for Message panel' }).first()
    await expect(strip).toContainText('uncut')
    await expect(page.getByRole('link', { name: /^Pieces/ })).toContainText('192 pieces')
    expect((await classNow(request, id)).document.prep.profiles[0].levels).toEqual({ message: 'uncut', base: 'scored' })
  })

test('the shopping list knows where things are bought, what is ordered, and what has come is on hand', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'Shopping')
  await station(page, id, 'kits')
  await expect(page.getByText(/To buy: 3 things for .*, 1 thing on the way/)).toBeVisible(PATIENT)
  await page.getByRole('button', { name: 'What', exact: true }).click()
  const shopping = page.getByRole('region', { name: 'Shopping' })
  await expect(shopping.getByRole('heading', { name: 'Harbour stationer' })).toBeVisible()
  await shopping.getByLabel('Where Tape is bought').fill('By the quay')
  await shopping.getByLabel('Where Tape is bought').press('Tab')
  await expect(shopping.getByRole('heading', { name: 'By the quay' })).toBeVisible()
  const tape = shopping.getByRole('listitem').filter({ hasText: 'Tape' })
  await tape.getByRole('checkbox', { name: 'Ordered' }).check()
  await expect(tape).toContainText('on its way')
  await shopping.getByRole('button', { name: 'Tape has come' }).click()
  await expect(shopping.getByRole('listitem').filter({ hasText: 'Tape' })).toHaveCount(0)
  await saved(page)
  const { document } = await classNow(request, id)
  expect(document.supplies.find(({ key }: { key: string }) => key === 'tape').onHand).toBeGreaterThan(60)
  // Bags and envelopes of the one place, foam of no place yet.
  const ordered = page.getByRole('checkbox', { name: 'Ordered' })
  await expect(shopping.getByRole('listitem').filter({ has: ordered })).toHaveCount(3)
})

test('a class says what a seat costs, and how many seats cover it', async ({ page, request }) => {
  const id = await demoClass(request, 'Money')
  await station(page, id, 'kits')
  await page.locator(beside('Costs')).click()
  await expect(page.getByText(/^A seat costs €\d/)).toBeVisible(PATIENT)
  await expect(page.getByText(/4 of 14 seats cover the class/)).toBeVisible()
  await page.getByText('Prices', { exact: true }).click()
  await typeNumber(page.getByLabel(/^A seat pays/), '2', /^2$/)
  await expect(page.getByText('not even all seats cover the class')).toBeVisible()
  await saved(page)
})

test('hand-outs show every step as a drawing, in the units of the student, and go into a PDF', async ({
  page, request,
}) => {
  const id = await sharedClass(request, 'Hand-outs')
  await page.goto(`/print/${id}?only=handouts`)
  await expect(page.getByRole('heading', { name: 'Harbour lantern: In the room' })).toBeVisible(PATIENT)
  await expect(
    page.getByText('Mind: No glue on the half that reaches over panel C, or the card is shut for good.').first(),
  ).toBeVisible()
  await expect(page.getByText('Plate: foam on its back').first()).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: 'a print of Shore prints' }).first()).toBeVisible()
  await page.getByText('Millimetres', { exact: true }).click()
  await expect(page.getByText(/^Closed .* × .*\smm\.$/).first()).toBeVisible()
  const [file] = await Promise.all([
    page.waitForEvent('download'), page.getByRole('button', { name: 'Save as PDF' }).click(),
  ])
  expect(readFileSync(await file.path()).subarray(0, 5).toString()).toBe('%PDF-')
  // What is not ticked is not printed; with nothing ticked a word says what to do.
  await page.getByRole('checkbox', { name: 'Hand-outs' }).uncheck()
  await expect(page.getByText('Tick what is to be printed.')).toBeVisible()
  await page.getByRole('checkbox', { name: 'Packing check' }).check()
  await expect(page.getByRole('table', { name: 'Packing check' }).getByRole('row')).toHaveCount(17, PATIENT)
})

test('labels lie where the sheet of labels has them, and a grid that does not fit is named', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'Labels')
  await page.goto(`/print/${id}/labels`)
  await expect(page.getByText('16 labels on 2 sheets.')).toBeVisible()
  await typeNumber(page.getByLabel('Down', { exact: true }), '9')
  await expect(page.getByRole('alert')).toContainText('9 labels with their gaps are higher than')
  await typeNumber(page.getByLabel('Down', { exact: true }), '4')
  await expect(page.getByText('16 labels on 2 sheets.')).toBeVisible()
  await typeNumber(page.getByLabel('Used already'), '7')
  await expect(page.getByText('16 labels on 3 sheets.')).toBeVisible()
  await page.getByText('Kits', { exact: true }).click()
  await expect(page.getByText(/^32 labels on/)).toBeVisible()
})

test('the calendar holds the class and the work before it', async ({ page, request }) => {
  const id = await demoClass(request, 'Calendar')
  await station(page, id, 'kits')
  await expect(page.getByText(/To buy: /)).toBeVisible(PATIENT)
  await page.getByRole('button', { name: 'More for this class' }).click()
  const [file] = await Promise.all([
    page.waitForEvent('download'), page.getByRole('menuitem', { name: 'Save the calendar' }).click(),
  ])
  const text = readFileSync(await file.path(), 'utf8')
  expect(text.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(2)
  expect(text).toContain('SUMMARY:Calendar')
  expect(text).toMatch(/DTSTART:\d{8}T183000/)
})

test('the student page shows its own class or bag and nothing else, and is one file without scripts', async ({
  page, request,
}) => {
  const id = await sharedClass(request, 'Student page')
  const path = `/api/classes/${id}/student`
  const all = await (await request.get(path)).text()
  for (const name of ['Ada', 'Bruno', 'Kaja']) expect(all).not.toContain(name)
  expect(all).not.toMatch(/<script|<link|src=|https?:\/\/(?!www\.w3\.org)/)
  const own = await (await request.get(`${path}?seat=seat-2`)).text()
  expect([own.includes('Bruno'), own.includes('Ada')]).toEqual([true, false])
  expect((await request.get(`${path}?seat=seat-99`)).status()).toBe(404)
  expect((await request.get(`${path}?units=cubits`)).status()).toBe(400)
  expect((await request.get(`/api/classes/999999/student`)).status()).toBe(404)
  expect((await request.get(`${path}?save=yes`)).headers()['content-disposition']).toContain('.html')

  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${path}?seat=seat-2`)
  await page.getByRole('radio', { name: 'High water' }).check()
  await expect(page.getByText('Tell your instructor: Harbour lantern in High water.')).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('a sheet of each card is printed for those who make it at home, and saved as one file', async ({ page, request }) => {
  const id = await demoClass(request, 'At home')
  await page.goto(`/print/${id}?only=sheets`)
  const sizes = page.getByRole('table', { name: 'Sizes of Harbour lantern' })
  await expect(sizes.getByRole('row', { name: /^Base 1 8 1.2 × 5 1.2 21\.6 × 14\.0/ })).toBeVisible()
  const [file] = await Promise.all([
    page.waitForEvent('download'), page.getByRole('button', { name: 'Sheets as one file' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('sheets.html')
  const text = readFileSync(await file.path(), 'utf8')
  expect(text).toMatch(/Harbour lantern.*Two tides/s)
  expect(text).not.toMatch(/<script|<link/)
})
