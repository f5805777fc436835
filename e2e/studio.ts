import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { APIRequestContext, APIResponse, Locator, Page } from '@playwright/test'
import { expect } from '@playwright/test'

/** The demo class that tests change copies of. */
export const DEMO = readFileSync(new URL('../demo/tide-and-lantern.json', import.meta.url), 'utf8')

/** Adds a copy of the demo class under a title of its own and answers its number. */
export async function demoClass(
  request: APIRequestContext,
  title: string,
  change: (file: ReturnType<typeof JSON.parse>) => void = () => {},
): Promise<number> {
  const file = sameForAll(JSON.parse(DEMO))
  file.class.title = title
  change(file)
  const answer = await request.post('/api/import', {
    data: JSON.stringify(file), headers: { 'Content-Type': 'application/json' },
  })
  expect(answer.status()).toBe(201)
  return (await answer.json()).id
}

/** The demo evening with bags that are all alike: one print for each part, no colourways and no names. */
function sameForAll(file: ReturnType<typeof JSON.parse>) {
  Object.assign(file.cards[0].papers, {
    'mat-a': 'lantern', 'mat-b': 'ripple', 'mat-c': 'ripple', 'plate-mat': 'lantern',
  })
  file.cards[0].colourways = []
  return { ...file, pools: [], roster: [] }
}

/** The demo evening as it is shipped, under another title. */
export async function sharedClass(request: APIRequestContext, title: string): Promise<number> {
  return demoClass(request, title, file => Object.assign(file, JSON.parse(DEMO), { class: { ...file.class } }))
}

/** A class as the server has it, with the papers of the shelf. */
export async function classNow(
  request: APIRequestContext,
  id: number,
): Promise<{ position: number, document: ReturnType<typeof JSON.parse> }> {
  return (await request.get(`/api/classes/${id}`)).json()
}

/** Sends changes as a window does; what is given replaces what a window would send. */
export const sendEdit = (
  request: APIRequestContext,
  edit: { class: number | null, since: number, patches: unknown } & Record<string, unknown>,
): Promise<APIResponse> => request.post('/api/edits', { data: { token: randomUUID(), label: 'a test', ...edit } })

/** Opens a page and waits until it answers to clicks. */
export async function visit(page: Page, path: string): Promise<void> {
  await page.goto(path)
  await page.locator('html[data-awake]').waitFor()
}

/** Waits until a page has all that it looks up when it is opened: until then it says so. */
export async function laidOut(page: Page): Promise<void> {
  await page.locator('html[data-awake]').waitFor()
  await expect(page.getByText(/^(Laying out|Looking up|Planning|Packing|Writing) .* …$/)).toHaveCount(0)
}

/** Looks for classes on their list: tests make many, and the list begins with the first ones. */
export const lookFor = (page: Page, title: string): Promise<void> => page.getByLabel('Search classes').fill(title)

/** Opens a station of a class and waits until it is laid out. */
export async function station(page: Page, id: number, name: string): Promise<void> {
  await page.goto(`/classes/${id}/${name}`)
  await expect(page.getByRole('navigation', { name: 'Steps of the preparation' })).toBeVisible()
}

export const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible()

/** Chooses from a list, and waits until it is closed: lists of two fields lie in the same place. */
export async function choose(page: Page, field: Locator, option: string) {
  // A paper that another test puts on the shelf lays the list anew under the pointer, or closes it.
  await expect(async () => {
    if (await page.getByRole('listbox').count() === 0) await field.click()
    await page.getByRole('option', { name: option, exact: true }).click({ timeout: 5000 })
  }).toPass()
  await expect(page.getByRole('listbox')).toHaveCount(0)
}

/** The row of a piece in a table of pieces. */
export const pieceRow = (page: Page, name: string) =>
  page.getByRole('row').filter({ has: page.getByRole('rowheader', { name, exact: true }) })

/** The size of a piece as it is read out: width, then height. */
export const sizeOf = (page: Page, name: string) =>
  pieceRow(page, name).getByRole('cell').filter({ hasText: '×' }).first().locator('.unseen')

/** Waits until a piece has this size. */
export const expectSize = (page: Page, name: string, width: string, height: string) =>
  expect(sizeOf(page, name)).toHaveText([width, height])

/**
 * The dialog that is being opened, once it has taken the focus: one that is still opening takes it away from the field
 * that is typed in, and what was typed by then is taken over as a value.
 */
export async function opened(page: Page, name?: string): Promise<Locator> {
  const dialog = page.getByRole('dialog', { name })
  await expect(dialog).toBeVisible()
  await expect(dialog).not.toHaveClass(/enter-active/)
  return dialog
}

/**
 * Types a number key by key, as number fields are made for; anew when a dialog that was still opening took the focus
 * meanwhile.
 */
export async function typeNumber(field: Locator, number: string, held = new RegExp(`^${number}$`)): Promise<void> {
  await expect(async () => {
    await field.click()
    await field.press('Control+a')
    await field.pressSequentially(number)
    await expect(field).toBeFocused()
    // A dialog that takes the focus while it opens may swallow the selection or a key.
    expect((await field.inputValue()).replace(/[^\d-]/g, '')).toMatch(held)
  }).toPass()
  await field.blur()
}
