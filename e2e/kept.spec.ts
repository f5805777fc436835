import { execFileSync } from 'node:child_process'
import { randomBytes, randomInt } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { DEMO, demoClass, station, visit } from './studio'

const PATIENT = { timeout: 60_000 }
/** What a window says of the cutting once it is planned to the end. */
async function planned(page: Page, id: number): Promise<string[]> {
  await station(page, id, 'cutting')
  await expect(page.getByRole('button', { name: 'Cuts as CSV' })).toBeEnabled(PATIENT)
  await expect(page.getByText('working', { exact: true })).toHaveCount(0, PATIENT)
  return await page.getByRole('main').getByRole('row').allInnerTexts()
}

/** A device that has seen nothing yet, with what it asks for. */
async function device(browser: Browser, baseURL: string | undefined) {
  const page = await (await browser.newContext({ baseURL, storageState: { cookies: [], origins: [] } })).newPage()
  const asked = { plans: new Set<string>(), kept: new Set<string>(), workers: 0 }
  page.on('request', (request) => {
    const { pathname, searchParams } = new URL(request.url())
    if (pathname === '/api/kept') searchParams.get('ids')?.split(',').forEach(id => asked.plans.add(id))
    if (pathname.includes('planner.worker')) asked.workers += 1
  })
  page.on('response', (response) => {
    const { pathname } = new URL(response.url())
    if (pathname.startsWith('/api/kept/') && response.request().method() === 'PUT' && response.ok())
      asked.kept.add(pathname.split('/').at(-1)!)
  })
  return { page, asked }
}

/** With a trimmer that nobody has planned for. */
const ownTools = (file: { tools: object }) => ({
  ...file.tools, trimmer: `${(305 + randomInt(9000) / 1000).toFixed(3)} mm`,
})

test('what one device has planned and shared out, another one shows without planning', async ({
  browser, request, baseURL,
}) => {
  const whole = JSON.parse(DEMO)
  // With its pools, colourways and names: prints are shared out before anything is planned.
  const id = await demoClass(request, 'Planned once', file =>
    Object.assign(file, whole, { class: { ...whole.class, title: 'Planned once' }, tools: ownTools(whole) }))
  const first = await device(browser, baseURL)
  const plans = await planned(first.page, id)
  expect(plans.length).toBeGreaterThan(3)
  expect([first.asked.workers > 0, first.asked.plans.size > 2]).toEqual([true, true])
  // What the first has found is sent while it goes on: a device that asks at once may be ahead of that.
  let second = await device(browser, baseURL)
  await expect(async () => {
    await second.page.context().close()
    second = await device(browser, baseURL)
    expect(await planned(second.page, id)).toEqual(plans)
    expect(second.asked.workers).toBe(0)
  }).toPass(PATIENT)
  // The same device asks nobody any more, once it had the time to put away what it was told.
  await expect(async () => {
    second.asked.plans.clear()
    expect(await planned(second.page, id)).toEqual(plans)
    expect([second.asked.workers, second.asked.plans.size]).toEqual([0, 0])
  }).toPass(PATIENT)
  for (const { page } of [first, second]) await page.context().close()
})

test('two devices that open a class at once plan it once: the second says who does', async ({
  browser, request, baseURL,
}) => {
  const whole = JSON.parse(DEMO)
  const id = await demoClass(request, 'Planned at once', file =>
    Object.assign(file, whole, { class: { ...whole.class, title: 'Planned at once' }, tools: ownTools(whole) }))
  const [first, second] = [await device(browser, baseURL), await device(browser, baseURL)]
  const pages = [first.page, second.page]
  // Whichever comes a moment later says it.
  const said = Promise.any(pages.map(page => page.getByText('Another device is planning it.').waitFor(PATIENT)))
  await Promise.all([...pages.map(page => station(page, id, 'cutting')), said])
  expect(await planned(second.page, id)).toEqual(await planned(first.page, id))
  for (const { page } of [first, second]) await page.context().close()
})

test('what is kept and does not hold is planned anew', async ({ browser, request, baseURL }) => {
  const id = await demoClass(request, 'Kept badly', file => Object.assign(file, { tools: ownTools(file) }))
  const [first, second] = [await device(browser, baseURL), await device(browser, baseURL)]
  const plans = await planned(first.page, id)
  await expect.poll(() => first.asked.kept.size).toBe(first.asked.plans.size)
  for (const plan of first.asked.plans) {
    const answer = await request.put(`/api/kept/${plan}`, {
      data: [[1], {}], headers: { 'Content-Type': 'application/json' },
    })
    expect(answer.status()).toBe(204)
  }
  expect(await planned(second.page, id)).toEqual(plans)
  expect(second.asked.workers).toBeGreaterThan(0)
  for (const { page } of [first, second]) await page.context().close()
})

test('what the command line has planned is brought in, and planned by nobody again', async ({
  browser, request, baseURL, page,
}) => {
  const whole = JSON.parse(DEMO)
  const file = { ...whole, class: { ...whole.class, title: 'Planned elsewhere' }, tools: ownTools(whole) }
  const folder = mkdtempSync(join(tmpdir(), 'wakaru-plans-'))
  const [own, plans] = ['class.json', 'plans.json'].map(name => join(folder, name)) as [string, string]
  const id = await demoClass(request, 'Planned elsewhere', empty => Object.assign(empty, file))
  writeFileSync(own, JSON.stringify((await (await request.get(`/api/classes/${id}/file`)).json())))
  execFileSync('npm', ['run', '-s', 'wakaru', '--', 'plan', own, '--keep', plans, '--json'], { stdio: 'ignore' })
  const damaged = JSON.stringify({ ...JSON.parse(readFileSync(plans, 'utf8')), planner: 'another' })
  await visit(page, '/')
  const chooser = page.getByLabel('Batch file to import')
  await chooser.setInputFiles({ name: 'old.json', mimeType: 'application/json', buffer: Buffer.from(damaged) })
  await expect(page.getByRole('dialog')).toContainText('found by another version of the planner')
  await page.keyboard.press('Escape')
  await chooser.setInputFiles(plans)
  await expect(page.getByText(/^\d+ plans came in\.$/)).toBeVisible()
  await chooser.setInputFiles(plans)
  await expect(page.getByText(/^0 plans came in, \d+ were there already\.$/)).toBeVisible()
  const other = await device(browser, baseURL)
  expect((await planned(other.page, id)).length).toBeGreaterThan(3)
  expect(other.asked.workers).toBe(0)
  await other.page.context().close()
  rmSync(folder, { recursive: true })
})

test('nothing but what can be kept is kept', async ({ request }) => {
  const id = randomBytes(33).toString('base64url').slice(0, 43)
  const put = async (under: string, data: string, type = 'application/json') =>
    (await request.put(`/api/kept/${under}`, { data: Buffer.from(data), headers: { 'Content-Type': type } })).status()
  expect([
    await put('short', '[]'), await put(id, 'no json'), await put(id, '[]', 'text/plain'),
    await put(id, `["${'x'.repeat(1e6)}"]`),
  ]).toEqual([422, 400, 415, 413])
  const find = async (ids: string) => {
    const answer = await request.get('/api/kept', { params: { ids } })
    return [answer.status(), answer.ok() ? await answer.json() : undefined]
  }
  expect(await find(id)).toEqual([200, {}])
  for (const ids of ['', 'short', `${id},`, Array(41).fill(id).join()]) expect((await find(ids))[0], ids).toBe(422)
  expect(await put(id, '[[1],2]')).toBe(204)
  expect(await find(`${id},${'m'.repeat(43)}`)).toEqual([200, { [id]: '[[1],2]' }])
})
