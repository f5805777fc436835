import { expect, test } from '@playwright/test'
import { classNow, demoClass, saved, sharedClass, station, typeNumber } from './studio'

/** Planning and counting take their time on a busy machine. */
const PATIENT = { timeout: 60_000 }

test('the class is cut in one order: stacks of several papers, a paper by itself, a stack that is cut', async ({
  page, request,
}) => {
  // Bases in two colours, cut alike.
  const id = await sharedClass(request, 'One evening')
  await station(page, id, 'cutting')
  const order = page.getByRole('region', { name: 'Order of cuts for the class' })
  await expect(order.getByRole('listitem').first()).toBeVisible(PATIENT)
  const said = page.getByText(/The class at the trimmer: \d+ settings of the fence, \d+ strokes, about/)
  await expect(said).toContainText(/Each paper by itself: \d+ settings, about \d+ min/)
  const bases = order.getByRole('listitem').filter({ hasText: '4 Fog, 4 Kelp' })
  await expect(bases).toContainText(/16 × [A-Z] Base \(Harbour lantern\) \(8 Fog, 8 Kelp\)/)
  await expect(bases).toContainText(/Under the blade: \d Kelp/)
  // A step that is pointed at brings out its stack.
  await bases.focus()
  const stack = page.getByRole('region', { name: /^Stack \d+$/ })
  await expect(stack.getByRole('listitem')).toContainText([/Base/, '4 × Fog', '4 × Kelp'])
  const [, number] = /Stack (\d+)/.exec(await stack.getAttribute('aria-label') ?? '') ?? []

  await page.getByRole('group', { name: 'Stacks' }).getByRole('button').nth(Number(number) - 1).click()
  await stack.getByRole('button', { name: 'Cut by itself: Kelp' }).click()
  await expect(page.getByText('Kelp is cut by itself.')).toBeVisible(PATIENT)
  await expect(order.getByRole('listitem').filter({ hasText: 'Fog, 4 Kelp' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Cut it with the others: Kelp' }).click()
  await expect(bases).toBeVisible(PATIENT)

  const steps = await order.getByRole('listitem').count()
  await page.getByRole('group', { name: 'Stacks' }).getByRole('button').nth(Number(number) - 1).click()
  await stack.getByRole('button', { name: 'All of this stack is cut' }).click()
  await saved(page)
  const { document: { cutting } } = await classNow(request, id)
  const cutOf = (paper: string) => cutting.find((entry: { paper: string }) => entry.paper === paper).layouts
    .reduce((sum: number, { cut }: { cut: number }) => sum + cut, 0)
  expect([cutOf('fog'), cutOf('kelp')]).toEqual([4, 4])
  // What is left is cut as it was going to be.
  await expect(order.getByRole('listitem')).toHaveCount(steps - 1, PATIENT)
  await page.getByRole('button', { name: 'Take back the last change' }).click()
  await expect(order.getByRole('listitem')).toHaveCount(steps, PATIENT)
})

test('a class is parted among sittings, each with whole papers, on screen and in print', async ({ page, request }) => {
  const id = await demoClass(request, 'Two sittings')
  await station(page, id, 'cutting')
  await page.getByText('How you like to cut').click()
  await typeNumber(page.getByLabel('In how many sittings'), '2')
  await expect(page.getByRole('button', { name: /^Sitting 1, about \d+ min$/ })).toBeVisible(PATIENT)
  await page.getByRole('button', { name: /^Sitting 2, about \d+ min$/ }).click()
  await saved(page)
  await expect(page.getByRole('region', { name: 'Order of cuts for the class' }).getByRole('listitem').first())
    .toBeVisible()
  await page.goto(`/print/${id}/cutting`)
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(['Sitting 1', 'Sitting 2'], PATIENT)
  await page.getByRole('button', { name: 'Paper by paper' }).click()
  await expect(page.getByRole('heading', { level: 2, name: 'Kelp' })).toBeVisible()
})
