import { expect, test } from '@playwright/test'
import { classNow, demoClass, visit } from './studio'

test('a class that does not fit: what would help is taken in one step, and taken back', async ({ page, request }) => {
  const short = { lasts: 80, starts: '18:30' }
  const id = await demoClass(request, 'A short evening', file => Object.assign(file.class, short))
  await visit(page, `/classes/${id}/cards`)
  await page.getByRole('link', { name: /^Evening/ }).click()
  await expect(page.getByRole('heading', { name: 'The class does not fit' })).toBeVisible()
  await expect(page.getByRole('link', { name: /^Evening.*needs you/ })).toBeVisible()
  const stages = page.getByRole('table', { name: 'Cards of the evening' })
  await expect(stages.getByRole('row', { name: /^Harbour lantern 18:40/ })).toBeVisible()
  await expect(page.getByRole('table', { name: 'Queues' }).getByRole('row', { name: /^Heat tool/ })).toBeVisible()

  await page.getByRole('button', { name: /^Take (this|these)$/ }).click()
  await expect(page.getByRole('heading', { name: 'The class fits' })).toBeVisible()
  await expect.poll(async () => (await classNow(request, id)).document.prep.profiles[0].levels).not.toEqual({})
  await page.getByRole('button', { name: 'Take back the last change' }).click()
  await expect(page.getByRole('heading', { name: 'The class does not fit' })).toBeVisible()
})

test('the figures of an evening are the maker’s own, in the class and for every new one', async ({ page, request }) => {
  const id = await demoClass(request, 'A second heat tool')
  await visit(page, `/classes/${id}/evening`)
  await expect(page.getByRole('heading', { name: 'The class fits' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Take: Bring one more heat tool' })).toBeVisible()
  await page.getByText('Your evenings').click()
  await page.getByLabel('Heat tools').fill('14')
  await page.getByLabel('Heat tools').press('Tab')
  await expect(page.getByRole('button', { name: 'Take: Bring one more heat tool' })).toBeHidden()
  await expect.poll(async () => (await classNow(request, id)).document.evening.heatTools).toBe(14)

  await visit(page, '/settings')
  await page.getByText('Your evenings').click()
  await expect(page.getByLabel('Heat tools')).toHaveValue('1')
  await page.getByText('Seconds that things dry').click()
  await expect(page.getByLabel('Wash, drying')).toHaveValue('600')
})

test('an evening with nobody and one with nothing to make say so', async ({ page, request }) => {
  const id = await demoClass(request, 'An evening of nothing', (file) => {
    for (const card of file.cards) card.kits = 0
  })
  await visit(page, `/classes/${id}/evening`)
  await expect(page.getByRole('heading', { name: 'Nobody makes anything yet' })).toBeVisible()
  const bare = await demoClass(request, 'An evening without cards', file => (file.cards = []))
  await visit(page, `/classes/${bare}/evening`)
  await expect(page.getByText('An evening is rehearsed with cards.')).toBeVisible()
})
