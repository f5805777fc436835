import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { DEMO, demoClass, lookFor, sharedClass, station, visit } from './studio'

const upload = (name: string, text: string | Buffer) => ({
  name, mimeType: 'application/json', buffer: Buffer.from(text),
})

test('a class goes out as a batch file and comes back with nothing lost', async ({ page, request }) => {
  const id = await sharedClass(request, 'There and back')
  await station(page, id, 'cards')
  await page.getByRole('button', { name: 'More for this class' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Export with names' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('there-and-back.wakaru.json')
  const text = await readFile(await download.path(), 'utf8')
  const before = JSON.parse(text)
  const { papers: _, ...demo } = JSON.parse(DEMO)
  expect(before).toMatchObject({ ...demo, class: { ...demo.class, title: 'There and back' } })

  await visit(page, '/')
  await page.getByLabel('Batch file to import').setInputFiles(upload('back.json', text))
  await expect(page.getByRole('heading', { name: 'There and back', level: 1 })).toBeVisible()
  const copy = Number(/classes\/(\d+)/.exec(page.url())![1])
  expect(copy).not.toBe(id)
  expect(await (await request.get(`/api/classes/${copy}/file?names=yes`)).json()).toEqual(before)
})

test('a paper of the same key but another nature gets a key of its own', async ({ request }) => {
  const id = await demoClass(request, 'Other kelp', (file) => {
    file.papers.find((paper: { key: string }) => paper.key === 'kelp').weight = 111
  })
  const { document } = await (await request.get(`/api/classes/${id}`)).json()
  const key = document.cards[0].papers.base
  expect(key).toMatch(/^kelp-\d+$/)
  const { papers }: { papers: { key: string, weight: number }[] } = await (
    await request.get('/api/papers?search=kelp&limit=100')
  ).json()
  expect(papers.find(paper => paper.key === key)!.weight).toBe(111)
  expect(papers.find(paper => paper.key === 'kelp')!.weight).toBe(250)
})

test('a broken file is answered with the place and what was expected', async ({ page }) => {
  await visit(page, '/')
  await expect(page.getByRole('article').first()).toBeVisible()
  await page
    .getByLabel('Batch file to import')
    .setInputFiles(upload('broken.json', DEMO.replace('"seats": 14', '"seats": "many"')))
  await expect(page.getByRole('dialog')).toContainText('class.seats is a whole number')
  await page.keyboard.press('Escape')
  await page.getByLabel('Batch file to import').setInputFiles(upload('notes.json', 'dear diary'))
  await expect(page.getByRole('dialog')).toContainText('is not JSON')
  await page.keyboard.press('Escape')
  await page.reload()
  await lookFor(page, 'dear diary')
  await expect(page.getByText('Nothing that is coming up is called so.')).toBeVisible()
})

test('40 MB are refused, by the page and by the server', async ({ page, request }) => {
  test.slow()
  await visit(page, '/')
  await page.getByLabel('Batch file to import').setInputFiles(upload('huge.json', Buffer.alloc(40_000_000, ' ')))
  await expect(page.getByRole('dialog')).toContainText('The file has 40 MB; a batch file has at most 4 MB')
  const answer = await request.post('/api/import', {
    data: Buffer.alloc(40_000_000, ' '), headers: { 'Content-Type': 'application/json' },
  })
  expect(answer.status()).toBe(413)
  expect((await answer.json()).message).toContain('Nothing was changed')
  expect((await request.get('/api/health')).ok()).toBe(true)
})

test('the pieces come as CSV', async ({ request }) => {
  const answer = await request.get(`/api/classes/${await demoClass(request, '=1+1')}/pieces`)
  expect(answer.headers()['content-disposition']).toContain('11-pieces.csv')
  expect(await answer.text()).toContain('Harbour lantern,Mat on panel C,4 in,5 1/4 in,1,16,Ripple')
})

test('a flat pattern comes in real size, and a wrong one is refused', async ({ page, request }) => {
  const id = await demoClass(request, 'Patterns')
  await station(page, id, 'cards')
  const [download] = await Promise.all([
    page.waitForEvent('download'), page.getByRole('link', { name: 'SVG of Base' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('harbour-lantern-base.svg')
  expect(await readFile(await download.path(), 'utf8')).toContain('width="215.9mm"')
  const pattern = (query: string) => request.get(`/api/classes/${id}/pattern?${query}`)
  expect(await (await pattern('card=two-tides&part=insert&format=dxf')).text()).toContain('score-valley')
  expect((await pattern('card=two-tides&part=insert&format=pdf')).status()).toBe(422)
  expect((await (await pattern('card=two-tides&part=lid&format=svg')).json()).message).toContain(
    'there are: base, insert',
  )
  expect((await pattern('card=none&part=base&format=svg')).status()).toBe(404)
})

test('a deleted class can be brought back', async ({ page, request }) => {
  await demoClass(request, 'Gone and back')
  await visit(page, '/')
  await lookFor(page, 'Gone and back')
  await page.getByRole('button', { name: 'More for Gone and back' }).click()
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await page.getByRole('button', { name: 'Delete class' }).click()
  await expect(page.getByRole('link', { name: 'Gone and back' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(page.getByRole('link', { name: 'Gone and back' })).toBeVisible()
})

test('a class is copied to a new day', async ({ page, request }) => {
  await demoClass(request, 'To be copied')
  await visit(page, '/')
  await lookFor(page, 'To be copied')
  await page.getByRole('button', { name: 'More for To be copied' }).click()
  await page.getByRole('menuitem', { name: 'Copy to a new class' }).click()
  await page.getByLabel('Title of the new class').fill('Copied')
  await page.getByRole('button', { name: 'Copy the class' }).click()
  await expect(page.getByRole('heading', { name: 'Copied', exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: /^Cards/ })).toContainText('2 cards')
})
