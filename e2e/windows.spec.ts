import { expect, test } from '@playwright/test'
import type { Browser, Page } from '@playwright/test'
import { classNow, demoClass, saved, sendEdit, station } from './studio'

const another = async (browser: Browser, baseURL?: string): Promise<Page> =>
  (await browser.newContext({ baseURL, viewport: { width: 1280, height: 800 } })).newPage()

test.describe('two windows on one class', () => {
  test('merge by themselves what they change apart, within a second', async ({ page, browser, request, baseURL }) => {
    const id = await demoClass(request, 'Two windows apart')
    const other = await another(browser, baseURL)
    await station(page, id, 'cards')
    await station(other, id, 'cards')
    await other.getByLabel('Border').fill('1/4')
    await page.getByLabel('Name of the card').fill('Harbour light')
    await saved(other)
    await saved(page)
    // Neither was asked, and both show both.
    for (const window of [page, other]) {
      await expect(window.getByLabel('Border')).toHaveValue('1/4', { timeout: 3000 })
      await expect(window.getByLabel('Name of the card')).toHaveValue('Harbour light', { timeout: 3000 })
      await expect(window.getByRole('dialog')).toHaveCount(0)
    }
    expect((await classNow(request, id)).document.cards[0]).toMatchObject({
      title: 'Harbour light', parameters: { border: '1/4 in' },
    })
    // A step back takes back one's own change and leaves the other's.
    await page.getByRole('button', { name: 'Take back the last change' }).click()
    await saved(page)
    await expect(page.getByLabel('Border')).toHaveValue('1/4')
    await expect(page.getByLabel('Name of the card')).toHaveValue('Harbour lantern')
    await expect(other.getByLabel('Name of the card')).toHaveValue('Harbour lantern')
    await other.context().close()
  })

  test('show both where both change the same, name it, and overwrite nothing', async ({
    page, browser, request, baseURL,
  }) => {
    const id = await demoClass(request, 'Two windows on one thing')
    const other = await another(browser, baseURL)
    await station(page, id, 'cards')
    await station(other, id, 'cards')
    // The page hears nothing until it saves.
    await page.route('**/api/feed', route => route.abort())
    await page.reload()
    await expect(page.getByLabel('Name of the card')).toHaveValue('Harbour lantern')
    await other.getByLabel('Name of the card').fill('Pier light')
    await saved(other)
    await page.getByLabel('Name of the card').fill('Harbour light')
    const dialog = page.getByRole('dialog')
    await expect(dialog).toContainText('Another window changed the same')
    await expect(dialog.getByRole('row').nth(1)).toHaveText(/title of “Harbour light”.*Harbour light.*Pier light/)
    expect((await classNow(request, id)).document.cards[0].title).toBe('Pier light')

    await dialog.getByRole('button', { name: 'Take the other window’s' }).click()
    await expect(page.getByLabel('Name of the card')).toHaveValue('Pier light')
    // A step back never puts the old title over theirs.
    await page.getByRole('button', { name: 'Take back the last change' }).click()
    await expect(page.getByText('another window has changed title of “Pier light” since')).toBeVisible()
    await expect(page.getByLabel('Name of the card')).toHaveValue('Pier light')
    await saved(page)

    await other.getByLabel('Name of the card').fill('Quay light')
    await saved(other)
    await page.getByLabel('Name of the card').fill('Mine after all')
    await page.getByRole('dialog').getByRole('button', { name: 'Keep mine' }).click()
    await saved(page)
    await expect(other.getByLabel('Name of the card')).toHaveValue('Mine after all', { timeout: 3000 })
    await other.context().close()
  })
})

test('a dropped connection loses nothing, and a reload brings the change back', async ({ page, request }) => {
  const id = await demoClass(request, 'Dropped')
  await station(page, id, 'cards')
  await page.route('**/api/edits', route => route.abort())
  await page.getByLabel('Name of the card').fill('Written offline')
  await expect(page.getByText('Kept in this browser')).toBeVisible()
  await page.unroute('**/api/edits')
  await page.reload()
  await expect(page.getByLabel('Name of the card')).toHaveValue('Written offline')
  await saved(page)
  expect((await classNow(request, id)).document.cards[0].title).toBe('Written offline')
})

test('a paper changed in another window is not overwritten', async ({ request }) => {
  const { position } = await (await request.get('/api/papers')).json()
  const weigh = (weight: number) =>
    sendEdit(request, {
      class: null, since: position, patches: [{ op: 'set', path: ['papers', 'rope', 'weight'], value: weight }],
    })
  expect((await weigh(191)).status()).toBe(200)
  const late = await weigh(192)
  expect(late.status()).toBe(409)
  expect((await late.json()).message).toContain('changed in another window')
})
