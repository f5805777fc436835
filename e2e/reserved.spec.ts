import type { APIRequestContext } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { demoClass, station, visit } from './studio'

/** Planning and counting take their time on a busy machine. */
const PATIENT = { timeout: 60_000 }

/** A class whose bases are cut from a paper of its own, so that no other test takes from it. */
const withOwnPaper = (request: APIRequestContext, title: string, date: string, onHand: number) =>
  demoClass(request, title, (file) => {
    file.class.date = date
    for (const paper of file.papers) {
      if (paper.key !== 'kelp') continue
      Object.assign(paper, { key: 'dulse', name: 'Dulse' })
      for (const stock of paper.stocks) stock.onHand = onHand
    }
    for (const card of file.cards)
      for (const [part, paper] of Object.entries(card.papers)) if (paper === 'kelp') card.papers[part] = 'dulse'
    file.cutting = []
  })

test('two classes take from one shelf: who is first has it, what is short is bought, both are cut in one go', async ({
  page, request,
}) => {
  const first = await withOwnPaper(request, 'Reserved first', '2031-05-01', 10)
  const second = await withOwnPaper(request, 'Reserved second', '2031-06-01', 10)
  await visit(page, '/reserved')
  const lying = page.getByRole('region', { name: 'What lies there and for whom' })
  await page.getByLabel('Search papers and classes').fill('Dulse')
  const row = lying.getByRole('listitem').filter({ hasText: 'Letter' })
  await expect(row).toHaveCount(1, PATIENT)
  await expect(row)
    .toContainText(/10 on hand.*1 May Reserved first: \d+.*1 Jun Reserved second: \d+, \d+ short.*0 left/)
  const bought = page.getByRole('region', { name: 'To buy for all classes' }).getByRole('listitem')
    .filter({ hasText: 'Dulse' })
  await expect(bought).toContainText(/for Reserved second \(\d+\).*by 1 Jun/)

  await page.goto('/print/reserved')
  await expect(page.getByRole('cell', { name: /Dulse, Letter/ })).toBeVisible(PATIENT)

  // The later one is told of it where it shops; the first has all of its own.
  await station(page, second, 'kits')
  await page.getByRole('button', { name: 'Shopping' }).click()
  await expect(page.getByRole('list', { name: 'Reserved by classes before' }))
    .toContainText(/Dulse, Letter: \d+ of 10 on hand are for Reserved first \(1 May\)/, PATIENT)

  await visit(page, `/reserved/dulse?classes=${first},${second}`)
  await expect(page.getByText(/In one go: \d+ sheets, and it cannot be done with fewer/)).toBeVisible(PATIENT)
  const apart = page.getByRole('region', { name: 'Packed apart' }).getByRole('row').nth(1)
  await expect(apart).toContainText('Base')
  await expect(page.getByText(/Cutting together (saves|takes)/)).toBeVisible(PATIENT)
  await page.getByRole('link', { name: 'Print it' }).click()
  await expect(page.getByRole('table', { name: 'Packed apart' })).toBeVisible(PATIENT)
  await page.goBack()
  await page.getByRole('button', { name: 'All of it is cut: bring the shelf up to date' }).click(PATIENT)
  await page.getByRole('button', { name: 'All of it is cut', exact: true }).click()
  await expect(page.getByText('What is cut of Dulse lies on the shelf in its size.')).toBeVisible()
  const onShelf = async () => {
    const { papers } = await (await request.get('/api/papers', { params: { search: 'Dulse' } })).json()
    const [{ stocks, offcuts }] = papers.filter(({ key }: { key: string }) => key === 'dulse')
    return { onHand: stocks[0].onHand, pieces: offcuts.length }
  }
  const cut = await onShelf()
  expect([cut.onHand < 10, cut.pieces > 0]).toEqual([true, true])
  // Pressed too early: the sheets lie there again, and the pieces do not. Then it is cut after all.
  await page.getByRole('button', { name: 'It is not cut: put the shelf back' }).click()
  await expect.poll(onShelf).toEqual({ onHand: 10, pieces: 0 })
  await page.getByRole('button', { name: 'All of it is cut: bring the shelf up to date' }).click(PATIENT)
  await page.getByRole('button', { name: 'All of it is cut', exact: true }).click()
  await expect.poll(onShelf).toEqual(cut)
  // Each class finds its pieces there and opens no sheet.
  for (const id of [first, second]) {
    await station(page, id, 'cutting')
    await page.getByRole('navigation', { name: 'Papers to cut' }).getByRole('button', { name: /Dulse/ }).click(PATIENT)
    await expect(page.getByText(/^No fresh sheet: offcuts are enough; nothing to buy/)).toBeVisible(PATIENT)
  }
})
