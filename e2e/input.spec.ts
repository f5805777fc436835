import { expect, test } from '@playwright/test'
import { demoClass, expectSize, lookFor, pieceRow, opened, saved, station, typeNumber, visit } from './studio'

test.describe('wrong input', () => {
  test('a new class names what is missing and what is too much', async ({ page }) => {
    await visit(page, '/')
    await page.getByRole('button', { name: 'New class' }).click()
    const dialog = await opened(page)
    await typeNumber(dialog.getByLabel('Seats'), '0')
    await typeNumber(dialog.getByLabel('Spare bags'), '1000')
    await expect(dialog).toContainText('At least 1. It stays 12.')
    await expect(dialog).toContainText('At most 100.')
    await dialog.getByRole('button', { name: 'Make the class' }).click()
    // What cannot be read is not sent; the maker is taken to it.
    await expect(dialog.getByLabel('Seats')).toBeFocused()
    await typeNumber(dialog.getByLabel('Seats'), '3')
    await typeNumber(dialog.getByLabel('Spare bags'), '1')
    await dialog.getByRole('button', { name: 'Make the class' }).click()
    await expect(dialog).toContainText('The title cannot be empty')
    await dialog.getByLabel('Title').fill('Put right')
    await dialog.getByRole('button', { name: 'Make the class' }).click()
    await expect(page.getByRole('heading', { name: 'Put right' })).toBeVisible()
  })

  test('the details of a class refuse an empty title and keep the old one', async ({ page, request }) => {
    await station(page, await demoClass(request, 'Details'), 'cards')
    await page.getByRole('button', { name: 'Change', exact: true }).click()
    const dialog = await opened(page)
    await dialog.getByLabel('Title').fill('  ')
    await typeNumber(dialog.getByLabel('Seats'), '9999')
    await expect(dialog).toContainText('At most 500. It stays 14.')
    await typeNumber(dialog.getByLabel('Seats'), '9')
    await dialog.getByRole('button', { name: 'Take it over' }).click()
    await expect(dialog).toContainText('The title cannot be empty')
    await dialog.getByRole('button', { name: 'Cancel' }).click()
    await expect(page.getByRole('heading', { name: 'Details' })).toBeVisible()
  })

  for (const [typed, reason] of [
    ['', 'Type a measure'],
    ['wide', 'is not a unit here'],
    ['-3', 'cannot be negative'],
    ['0', 'must be more than zero'],
    ['999999', 'longer than 5 m'],
    ['5 3//8', 'cannot be read'],
    ['1/3', 'No ruler has 1/3'],
    ['5 7/17', 'No ruler has 7/17'],
  ]) {
    test(`a width of “${typed}” is answered and the last good one stays`, async ({ page, request }) => {
      await station(page, await demoClass(request, `Width ${typed || 'empty'}`), 'cards')
      const width = page.getByLabel('Finished width')
      await width.press('Control+a')
      await width.press('Delete')
      await width.pressSequentially(typed!)
      await width.blur()
      await expect(page.getByText(reason!)).toBeVisible()
      await expect(width).toHaveValue(typed!)
      await expectSize(page, 'Base', '8 1/2 in', '5 1/2 in')
    })
  }

  test('a mat larger than its panel is a finding, and the drawing stays whole', async ({ page, request }) => {
    await station(page, await demoClass(request, 'Border'), 'cards')
    await page.getByLabel('Border').fill('1 1/8')
    await expect(page.getByRole('list', { name: 'Findings' })).toContainText('nothing is left of it')
    await expect(page.getByRole('group', { name: 'Flat pattern of Base' })).toBeVisible()
  })

  test('a number of kits is what is typed, and stays what it was where that cannot be', async ({ page, request }) => {
    await station(page, await demoClass(request, 'Kits'), 'cards')
    const kits = page.getByLabel('Kits of this card')
    const tries = [
      ['16', '16', '16'], ['9', '9', '9'], ['-3', '-3', '9'], ['123456', '123456', '9'], ['', '16', '16'],
    ] as const
    for (const [typed, shown, made] of tries) {
      await kits.click()
      await kits.press('Control+a')
      await kits.press('Delete')
      await kits.pressSequentially(typed)
      await kits.blur()
      await expect(kits).toHaveValue(shown)
      await expect(pieceRow(page, 'Base')).toContainText(made)
    }
    await saved(page)
  })

  test('HTML in a title is a title', async ({ page, request }) => {
    const title = '<img src=x onerror="window.bad=1"> & “quotes”'
    const id = await demoClass(request, title)
    await station(page, id, 'cards')
    await expect(page.getByRole('heading', { name: title })).toBeVisible()
    await visit(page, '/')
    await lookFor(page, title)
    await expect(page.getByRole('link', { name: title }).first()).toBeVisible()
    expect(await page.evaluate('window.bad')).toBeUndefined()
  })

  test('a paper names what is wrong with it', async ({ page }) => {
    await visit(page, '/papers')
    await page.getByRole('button', { name: 'Add a paper' }).click()
    const dialog = await opened(page)
    await typeNumber(dialog.getByLabel('Weight'), '9')
    await expect(dialog).toContainText('At least 40. It stays 250.')
    await typeNumber(dialog.getByLabel('Weight'), '220')
    await typeNumber(dialog.getByLabel('Price of sheet 1'), '0.95', /^095$/)
    await dialog.getByLabel('Width of sheet 1').fill('8 1/2')
    await dialog.getByLabel('Height of sheet 1').fill('tall')
    await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
    await expect(dialog).toContainText('The name cannot be empty')
    await expect(dialog).toContainText('Sheet 1: width needs its unit')
    await expect(dialog).toContainText('Sheet 1: height is not a length')
    await dialog.getByLabel('Name').fill('Driftwood')
    await dialog.getByLabel('Width of sheet 1').fill('8 1/2 in')
    await dialog.getByLabel('Height of sheet 1').fill('11 in')
    await dialog.getByRole('button', { name: 'Put it on the shelf' }).click()
    await expect(page.getByRole('heading', { name: 'Driftwood' })).toBeVisible()
  })

  test('a paper in use stays on the shelf, and an address of nothing says so', async ({ page, request }) => {
    await demoClass(request, 'Uses Kelp')
    await visit(page, '/papers')
    await page.getByRole('button', { name: 'Take Kelp off the shelf' }).click()
    await page.getByRole('button', { name: 'Take it off' }).click()
    await expect(page.getByText('Kelp stays on the shelf')).toBeVisible()
    await expect(page.getByText(/Kelp is still used by/)).toBeVisible()
    await page.goto('/classes/99999999/cards')
    await expect(page.getByText('There is no such class')).toBeVisible()
    await page.goto('/nowhere')
    await expect(page.getByText('There is nothing at this address')).toBeVisible()
  })

  test('a sheet that is too small is said at the cutting, the rest is planned', async ({ page, request }) => {
    const id = await demoClass(request, 'Too small', (file) => {
      const kelp = file.papers.find((paper: { key: string }) => paper.key === 'kelp')
      file.papers.push({
        ...kelp, key: 'tiny', name: 'Tiny',
        stocks: [{ key: 'pad', width: '6 in', height: '6 in', onHand: 3, pack: 1, price: 9 }],
      })
      file.cards[0].papers.base = 'tiny'
    })
    await station(page, id, 'cutting')
    await page.getByRole('navigation', { name: 'Papers to cut' }).getByRole('button', { name: /Tiny/ }).click()
    await expect(page.getByText('It is larger than every sheet of this paper')).toBeVisible()
    await expect(page.getByRole('link', { name: /^Cutting/ })).toContainText('needs you')
  })
})
