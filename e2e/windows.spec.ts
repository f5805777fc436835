import { expect, test } from '@playwright/test'
import { demoClass, saved, station } from './studio'

test.describe('two windows on one class', () => {
  test('never overwrite each other silently; either version can be chosen', async ({ page, browser, request, baseURL }) => {
    const id = await demoClass(request, 'Two windows')
    const other = await (await browser.newContext({ baseURL, viewport: { width: 1280, height: 800 } })).newPage()
    await station(page, id, 'cards')
    await station(other, id, 'cards')

    await other.getByLabel('Border').fill('1/4')
    await saved(other)
    await page.getByLabel('Name of the card').fill('Harbour light')
    const dialog = page.getByRole('dialog')
    await expect(dialog).toContainText('Another window changed this class')
    await expect(dialog).toContainText('card “Harbour light”')
    // Nothing was overwritten yet.
    expect((await (await request.get(`/api/classes/${id}`)).json()).document.cards[0]).toMatchObject({ title: 'Harbour lantern', parameters: { border: '1/4 in' } })

    await dialog.getByRole('button', { name: 'Take the other window’s' }).click()
    await expect(page.getByLabel('Border')).toHaveValue('1/4')
    await expect(page.getByLabel('Name of the card')).toHaveValue('Harbour lantern')
    await page.getByRole('button', { name: 'Take back the last change' }).click()
    await expect(page.getByLabel('Name of the card')).toHaveValue('Harbour light')
    await saved(page)

    await other.getByLabel('Name of the card').fill('Pier light')
    await expect(other.getByRole('dialog')).toContainText('Another window')
    await other.getByRole('button', { name: 'Keep mine' }).click()
    await saved(other)
    expect((await (await request.get(`/api/classes/${id}`)).json()).document.cards[0].title).toBe('Pier light')
    await other.context().close()
  })

  test('a window with nothing unsaved takes over what the other saved when it is looked at again', async ({ page, browser, request, baseURL }) => {
    const id = await demoClass(request, 'Looked at again')
    const other = await (await browser.newContext({ baseURL })).newPage()
    await station(page, id, 'cards')
    await station(other, id, 'cards')
    await other.getByLabel('Name of the card').fill('Changed elsewhere')
    await saved(other)
    await page.evaluate(() => window.dispatchEvent(new Event('focus')))
    await expect(page.getByLabel('Name of the card')).toHaveValue('Changed elsewhere')
    await other.context().close()
  })
})

test('a dropped connection loses nothing, and a reload brings the change back', async ({ page, request }) => {
  const id = await demoClass(request, 'Dropped')
  await station(page, id, 'cards')
  await page.route('**/api/classes/*', (route, call) => (call.method() === 'PUT' ? route.abort() : route.fallback()))
  await page.getByLabel('Name of the card').fill('Written offline')
  await expect(page.getByText('Kept in this browser')).toBeVisible()
  await page.unroute('**/api/classes/*')
  await page.reload()
  await expect(page.getByLabel('Name of the card')).toHaveValue('Written offline')
  await saved(page)
  expect((await (await request.get(`/api/classes/${id}`)).json()).document.cards[0].title).toBe('Written offline')
})

test('a paper changed in another window is not overwritten', async ({ request }) => {
  const papers: { key: string, revision: number }[] = await (await request.get('/api/papers')).json()
  const { revision, ...rope } = papers.find(({ key }) => key === 'rope')!
  expect((await request.put('/api/papers/rope', { data: { revision, paper: { ...rope, weight: 191 } } })).status()).toBe(200)
  const late = await request.put('/api/papers/rope', { data: { revision, paper: { ...rope, weight: 192 } } })
  expect(late.status()).toBe(409)
  expect((await late.json()).message).toContain('changed in another window')
})
