import { expect, test } from '@playwright/test'
import { choose, classNow, demoClass, opened, saved, station, typeNumber, visit } from './studio'

/** Planning and counting take their time on a busy machine. */
const PATIENT = { timeout: 60_000 }

const STAMPED = {
  key: 'work-1', technique: 'stamp', shows: '', sort: 'motif', using: '', width: '0 in', height: '0 in', centred: true,
  left: '0 in', bottom: '0 in', turn: 0, times: 1, by: 'either',
}

test('a paper with two sides, found by its number, is cut for either side; a pad has to add up', async ({
  page, request,
}) => {
  await visit(page, '/papers')
  await page.getByRole('button', { name: 'Add a paper' }).click()
  const dialog = await opened(page)
  await dialog.getByLabel('Name').fill('Twine')
  await dialog.getByText('Its other side looks different').click()
  await dialog.getByLabel('Name of the other side').fill('Twine, pale')
  await typeNumber(dialog.getByLabel('On hand of sheet 1'), '30')
  await dialog.getByText('What else is known of it').click()
  await dialog.getByLabel('Article number').fill('TW-917')
  await dialog.getByLabel('Link').fill('twine')
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(dialog).toContainText('The link is an address that begins with https:// or http://.')
  await dialog.getByLabel('Link').fill('')
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(dialog).toHaveCount(0)
  await page.getByLabel('Search the shelf').fill('tw-917')
  const row = page.getByRole('listitem').filter({ hasText: 'Twine' })
  await expect(row).toContainText('other side Twine, pale')
  await page.getByLabel('Search the shelf').fill('')

  await page.getByRole('button', { name: 'Add a paper' }).click()
  await dialog.getByLabel('Name').fill('Twine pad')
  await dialog.getByRole('button', { name: 'Pad of several papers' }).click()
  await typeNumber(dialog.getByLabel('Sheets in the pad'), '12')
  await choose(page, dialog.getByRole('combobox', { name: 'Add a paper of the shelf' }), 'Twine')
  await typeNumber(dialog.getByLabel('Sheets of Twine'), '10')
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(dialog).toContainText('The papers of the pad: adds up to 10 sheets; the pad has 12.')
  await typeNumber(dialog.getByLabel('Sheets of Twine'), '12')
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Twine pad' }) }))
    .toContainText('pad: 12 × Twine')

  // In a class either side is a choice of its own; both are cut from the same sheets, and the pad is none.
  const id = await demoClass(request, 'Two sides')
  await station(page, id, 'papers')
  const messages = page.getByRole('combobox', { name: 'Paper of all messages' })
  await messages.click()
  await expect(page.getByRole('option', { name: 'Twine', exact: true })).toBeVisible()
  await expect(page.getByRole('option', { name: 'Twine pad' })).toHaveCount(0)
  await choose(page, messages, 'Twine, pale')
  await choose(page, page.getByRole('combobox', { name: 'Paper of all plates' }), 'Twine')
  await saved(page)
  const { document } = await classNow(request, id)
  expect([document.cards[0].papers.message, document.cards[0].papers.plate]).toEqual(['back--twine', 'twine'])
  await station(page, id, 'pieces')
  await expect(page.getByText('Twine, pale').first()).toBeVisible()
  await station(page, id, 'cutting')
  const papers = page.getByRole('navigation', { name: 'Papers to cut' })
  await papers.getByRole('button', { name: /^Twine/ }).click(PATIENT)
  await expect(page.getByRole('list', { name: 'Order of cuts' })).toContainText('other side up', PATIENT)
})

test('what does not suit gives way to what does, an envelope is lined, and a mat is cut out of a picture', async ({
  page, request,
}) => {
  const id = await demoClass(request, 'Suited', (file) => {
    const kelp = file.papers.find(({ key }: { key: string }) => key === 'kelp')
    file.papers.push({ ...kelp, key: 'glazed-kelp', name: 'Glazed kelp', coating: 'coated' })
    file.cards[0].papers.base = 'glazed-kelp'
    file.cards[0].parts = [{ key: 'base', hold: null, foam: '0 in', works: [STAMPED] }]
  })
  const card = async () => (await classNow(request, id)).document.cards[0]
  await station(page, id, 'cards')
  await expect(page.getByText('wet ink stands on it and smears')).toBeVisible(PATIENT)
  await page.getByRole('button', { name: 'Take Kelp for Base' }).click()
  await expect(page.getByText('wet ink stands on it and smears')).toHaveCount(0)
  const envelope = page.getByRole('group', { name: 'The envelope is' })
  await envelope.getByLabel('lined').check()
  await envelope.getByLabel('stamped').check()
  await expect(page.getByRole('group', { name: 'Flat pattern of Envelope liner' })).toBeVisible()
  await saved(page)
  expect([(await card()).papers.base, (await card()).free.map(({ kind }: { kind: string }) => kind)]).toEqual([
    'kelp', ['liner'],
  ])
  await envelope.getByLabel('lined').uncheck()
  await expect(page.getByRole('group', { name: 'Flat pattern of Envelope liner' })).toHaveCount(0)

  await station(page, id, 'papers')
  const pictures = page.getByRole('region', { name: 'Pictures' })
  await choose(page, pictures.getByRole('combobox', { name: 'Mat on panel A, Harbour lantern' }), 'Lantern')
  await expect(pictures).toContainText('Lantern: 1 whole sheet for 16 × Lantern; 2 × Lantern over.')
  await saved(page)
  await page.goto(`/classes/${id}/cutting?paper=lantern`)
  // It may lie on another sheet than the one that is shown large.
  await expect(page.getByText(/Whole sheet to cut out 16 × Lantern/).first()).toBeAttached(PATIENT)
})
