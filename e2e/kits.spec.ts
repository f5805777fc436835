import { expect, test } from '@playwright/test'
import { choose, classNow, demoClass, opened, saved, sharedClass, station, typeNumber } from './studio'

/** Sharing together with the cutting takes a few seconds. */
const PATIENT = { timeout: 45_000 }

test('prints are shared out so that bags differ, and the line says how many sheets that takes', async ({
  page, request,
}) => {
  await station(page, await sharedClass(request, 'Shared out'), 'kits')
  const bags = page.getByRole('table', { name: 'Bags' })
  await expect(bags.getByRole('row')).toHaveCount(17)
  await expect(page.getByText(/^16 kits from 4 prints on \d+ sheets: fewer are impossible/)).toBeVisible(PATIENT)
  await expect(page.getByText('All wishes are met.')).toBeVisible(PATIENT)
  await expect(bags.getByRole('row', { name: /Seat 1 Ada/ })).toContainText('High water')
  await expect(bags.getByRole('row', { name: /Seat 2 Bruno/ })).toContainText('Low water')
  // The bag that is drawn has its own prints, each one paper.
  await bags.getByRole('button', { name: /^Seat 2 / }).click()
  const mat = bags.getByRole('button', { name: /^Mat on panel C for Seat 2: / })
  const print = (await mat.getAttribute('aria-label'))!.split(': ')[1]!
  await expect(page.getByRole('region', { name: 'Seat 2, Bruno' }).getByRole(
    'listitem').filter({ hasText: 'Mat on panel C' })).toContainText(print)
})

test('two prints are swapped with two presses, stay so, and are shared out again when asked', async ({
  page, request,
}) => {
  const id = await sharedClass(request, 'Swapped')
  await station(page, id, 'kits')
  await expect(page.getByText('All wishes are met.')).toBeVisible(PATIENT)
  const bags = page.getByRole('table', { name: 'Bags' })
  const plates = bags.getByRole('button', { name: /^Mat on plate for / })
  const labels = await plates.evaluateAll(all => all.map(one => one.getAttribute('aria-label')!))
  const first = labels[0]!.split(': ')[1]!
  const other = labels.findIndex(label => label.split(': ')[1] !== first)
  await plates.nth(0).click()
  await expect(plates.nth(0)).toHaveAttribute('aria-pressed', 'true')
  await plates.nth(other).click()
  await saved(page)
  await expect(plates.nth(0)).toHaveAttribute('aria-label', `Mat on plate for Seat 1: ${labels[other]!.split(': ')[1]}`)
  const { document } = await classNow(request, id)
  expect(
    document.roster.find(({ key }: { key: string }) => key === 'seat-1').prints['harbour-lantern plate-mat'],
  ).toBeTruthy()
  // Of different sizes nothing is swapped, and a word says why.
  await plates.nth(0).click()
  await bags.getByRole('button', { name: /^Mat on panel C for Seat 3/ }).click()
  await expect(page.getByText('different sizes').first()).toBeVisible()
  await bags.getByRole('button', { name: /^Seat 1 / }).click()
  await page.getByRole('button', { name: 'Share them out again' }).click()
  await saved(page)
  expect(
    (await classNow(request, id)).document.roster.find(({ key }: { key: string }) => key === 'seat-1').prints,
  ).toEqual({})
})

test('names come one a line or as CSV, wrong lines are named, and files hold no name unless asked', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'Who comes')
  await station(page, id, 'kits')
  await page.getByRole('button', { name: 'Who comes' }).click()
  const dialog = await opened(page, 'Who comes')
  await dialog.getByRole('textbox').fill(Array.from({ length: 15 }, (_, at) => `Person ${at}`).join('\n'))
  await dialog.getByRole('button', { name: 'Take these names' }).click()
  await expect(dialog.getByRole('alert')).toContainText('line 15 has no seat left')
  await dialog.getByRole('textbox').fill('Oda\nPer')
  await dialog.getByRole('button', { name: 'Take these names' }).click()
  await saved(page)
  await expect(page.getByRole('row', { name: /Seat 2 Per/ })).toBeVisible()

  await page.getByRole('button', { name: 'Who comes' }).click()
  const file = (text: string) => ({ name: 'roster.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await dialog.getByLabel('Roster file').setInputFiles(file('Name,Shoe\nOda,39\n'))
  await expect(dialog.getByRole('alert')).toContainText('line 1 “Shoe” is no column here')
  await dialog.getByLabel('Roster file').setInputFiles(file('Bag,Name,Online\nSeat 3,Runa,yes\n'))
  await saved(page)
  await expect(page.getByRole('row', { name: /Seat 3 Runa online/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /Seat 1 Oda/ })).toBeVisible()

  const exported = async (query = '') => (await (await request.get(`/api/classes/${id}/file${query}`)).json()).roster
  await expect.poll(async () => (await exported('?names=yes')).length).toBe(3)
  expect(JSON.stringify(await exported())).not.toContain('Runa')
})

test('a bag that is packed is ticked for everybody', async ({ page, request, context }) => {
  const id = await demoClass(request, 'Packing')
  await station(page, id, 'kits')
  const other = await context.newPage()
  await station(other, id, 'kits')
  await page.getByLabel('Seat 4 is packed').click()
  await saved(page)
  await expect(page.getByRole('heading', { name: '16 bags, all alike, 1 packed' })).toBeVisible()
  await expect(other.getByLabel('Seat 4 is packed')).toBeChecked({ timeout: 15_000 })
})

test('colourways are made on the papers page and rules say when nobody can keep them', async ({ page, request }) => {
  const id = await sharedClass(request, 'Colourways')
  await station(page, id, 'papers')
  const ways = page.getByRole('region', { name: 'Colourways' })
  await ways.getByRole('button', { name: 'New colourway' }).click()
  await ways.getByLabel('Name of colourway 3').fill('Slack water')
  await typeNumber(ways.getByLabel('Kits in Slack water'), '5', /^5$/)
  await choose(page, ways.getByRole('combobox', { name: 'Bases in Slack water' }), 'Ink')
  await saved(page)
  const { document } = await classNow(request, id)
  expect(document.cards[0].colourways[2]).toMatchObject({ name: 'Slack water', kits: 5, papers: { base: 'ink' } })

  const pools = page.getByRole('region', { name: 'Pools' })
  for (const print of ['Ripple', 'Rope', 'Lantern'])
    await pools.getByRole('button', { name: `Take ${print} out of Shore prints` }).click()
  const rules = page.getByRole('region', { name: 'How prints are shared out' })
  await rules
    .getByRole('group', { name: 'Faces that touch when closed differ' })
    .getByRole('button', { name: 'Must' })
    .click()
  await saved(page)
  await expect(rules.getByText(/cannot keep “Faces that touch when closed differ”/).first()).toBeVisible()
})

test('a card of which there are few goes to the bags that are named', async ({ page, request }) => {
  const id = await demoClass(request, 'Few', file => void (file.cards[1].kits = 2))
  await station(page, id, 'kits')
  const who = page.getByRole('region', { name: 'Who gets which card' })
  await expect(who).toContainText('2 kits for 16 bags')
  // What is planned meanwhile may move the list under the pointer, which closes it.
  await expect(async () => {
    if (await page.getByRole('listbox').count() === 0) await who.getByText('the first: Seat 1, Seat 2').click()
    await page.getByRole('option', { name: 'Seat 9', exact: true }).click({ timeout: 5000 })
  }).toPass()
  await page.keyboard.press('Escape')
  await saved(page)
  const row = (name: string) =>
    page.getByRole('table', { name: 'Bags' }).getByRole('row', { name: new RegExp(`^${name} `) })
  await expect(row('Seat 9')).not.toContainText('none')
  await expect(row('Seat 1')).not.toContainText('none')
  await expect(row('Seat 2')).toContainText('none')
})
