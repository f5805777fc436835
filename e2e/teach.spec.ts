import { expect, test } from '@playwright/test'

const PATIENT = { timeout: 60_000 }

test('what could be taught is told from the shelf, and becomes a class with one click', async ({ page }) => {
  await page.goto('/papers')
  await page.getByRole('link', { name: 'What could I teach?' }).click()
  const folds = page.getByRole('list', { name: 'What could be taught' }).getByRole('listitem')
  await expect(folds.first()).toBeVisible(PATIENT)
  await expect(page.getByRole('status').filter({ hasText: 'for all 14 bags' })).toBeVisible(PATIENT)
  // With a wish fewer folds are left, and all of them keep to it.
  await page.getByRole('button', { name: 'nimble' }).click()
  await expect(page.getByRole('button', { name: 'That will do' })).toBeVisible(PATIENT)
  await expect(page.getByRole('button', { name: 'That will do' })).toBeHidden(PATIENT)
  const nimble = await folds.count()
  expect(nimble).toBeGreaterThan(0)
  expect(nimble).toBeLessThan(20)
  const name = await folds.first().getByRole('heading').innerText()
  await folds.first().getByRole('button', { name: 'Make a class of it' }).click()
  await expect(page).toHaveURL(/\/classes\/\d+\/cards/, PATIENT)
  await expect(page.getByRole('heading', { name, exact: true }).first()).toBeVisible(PATIENT)
})
