import { request as ask } from 'node:http'
import { expect, test } from '@playwright/test'
import { unzipSync } from 'fflate'
import { DEMO, classNow, demoClass, lookFor, sendEdit, station, visit } from './studio'

/** Asks with headers that a browser would not let a page set. */
interface Raw {
  method?: string
  headers?: object
  body?: string
}
function raw(base: string, path: string, { method = 'GET', headers = {}, body = '' }: Raw = {}) {
  return new Promise<{ status: number, headers: Record<string, unknown>, text: string }>((resolve, reject) => {
    const sent = ask(new URL(path, base), { method, headers: { ...headers } }, (answer) => {
      let text = ''
      answer
        .on('data', data => (text += data))
        .on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers, text }))
    })
    sent.on('error', reject)
    sent.end(body)
  })
}

test('a name that was turned to this machine reads nothing and writes nothing', async ({ baseURL, request }) => {
  const id = await demoClass(request, 'Rebound')
  for (const method of ['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'OPTIONS']) {
    for (const path of ['/', '/api/classes', `/api/classes/${id}`, '/api/import', '/mark.svg']) {
      const headers = { 'Host': 'evil.example', 'Origin': 'http://evil.example', 'Content-Type': 'application/json' }
      const { status, text } = await raw(baseURL!, path, { method, headers, body: method === 'POST' ? DEMO : '' })
      expect([method, path, status]).toEqual([method, path, 403])
      expect(text).not.toContain('Tide')
    }
  }
  expect((await request.get(`/api/classes/${id}`)).status()).toBe(200)
  const foreign = { 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'no-cors', 'Sec-Fetch-Dest': 'script' }
  expect((await raw(baseURL!, '/api/classes', { headers: foreign })).status).toBe(403)
})

test('every answer says what a browser may do with it, and nothing about what made it', async ({ baseURL }) => {
  for (const path of [
    '/', '/folds', '/api/classes', '/api/nothing', '/mark.svg', '/fonts/source-sans-3-latin-wght-normal.woff2',
  ]) {
    const { headers } = await raw(baseURL!, path)
    expect(headers['content-security-policy'], path).toContain('frame-ancestors \'none\'')
    expect(headers['content-security-policy'], path).not.toMatch(/script-src[^;]*unsafe-inline/)
    expect(headers).toMatchObject({ 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer' })
    expect(headers['permissions-policy'], path).toContain('camera=()')
    expect(Object.keys(headers)).not.toContain('x-powered-by')
  }
  const policy = async () => String((await raw(baseURL!, '/')).headers['content-security-policy'])
  const nonces = (await Promise.all([policy(), policy()])).map(text => /nonce-([^']+)/.exec(text)?.[1])
  expect(nonces[0]).not.toBe(nonces[1])
})

test('no page asks for what its policy forbids', async ({ page, request }) => {
  const id = await demoClass(request, 'Policy')
  const wrong: string[] = []
  page.on('console', message => /Content Security Policy|Refused to/.test(message.text()) && wrong.push(message.text()))
  page.on('pageerror', error => wrong.push(error.message))
  for (const path of ['/', '/papers', '/folds', '/folds/step-popup', `/print/${id}/kits`]) await visit(page, path)
  for (const name of ['cards', 'papers', 'pieces', 'cutting', 'kits']) await station(page, id, name)
  await expect(page.getByRole('link', { name: /^Cutting/ })).toContainText('ready', { timeout: 60_000 })
  expect(wrong).toEqual([])
})

test('JSON is taken only where it is said to be JSON', async ({ request }) => {
  for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data', '']) {
    for (const path of ['/api/import', '/api/classes', '/api/edits', '/api/variants', '/api/archive']) {
      const answer = await request.post(path, { data: Buffer.from(DEMO), headers: { 'Content-Type': type } })
      expect([type, path, answer.status()]).toEqual([type, path, 415])
    }
  }
})

test('twenty variants of one name: one is kept', async ({ request }) => {
  const variant = { name: 'Twenty at once', fold: 'z-fold', units: 'inch', parameters: { width: '4 in' } }
  const answers = await Promise.all(Array.from({ length: 20 }, () => request.post('/api/variants', { data: variant })))
  expect(answers.map(answer => answer.status()).sort()).toEqual([201, ...Array(19).fill(409)])
  const kept = (await (await request.get('/api/variants')).json()).filter(
    ({ name }: { name: string }) => name === variant.name,
  )
  expect(kept).toHaveLength(1)
  await request.delete(`/api/variants/${kept[0].id}`)
})

test('letters that take two units are kept, and half of one is refused', async ({ request }) => {
  const details = {
    date: '2030-03-01',
    seats: 4,
    spares: 0,
    starts: '',
    lasts: 120,
    place: '',
    delivery: 'in person',
    units: 'inch',
    notes: '' }
  const post = async (title: string) =>
    (
      await request.post('/api/classes', {
        data: Buffer.from(JSON.stringify({ ...details, title })),
        headers: { 'Content-Type': 'application/json' },
      })
    ).status()
  expect(await post('🏮'.repeat(60))).toBe(201)
  expect(await post('🏮'.repeat(120))).toBe(422)
  expect(await post('Half \uD83C')).toBe(422)
  const { classes } = await (await request.get('/api/classes', { params: { search: '🏮' } })).json()
  expect(classes.map(({ title }: { title: string }) => title)).toContain('🏮'.repeat(60))
})

test('alive and ready are told apart', async ({ request }) => {
  expect(await (await request.get('/api/health')).json()).toEqual({ alive: true })
  expect(await (await request.get('/api/ready')).json()).toEqual({ ready: true })
})

test('what was deleted is in the bin, and comes back with its papers', async ({ page, request }) => {
  const paper = { ...JSON.parse(DEMO).papers[0], key: 'binned-paper', name: 'Binned paper' }
  const id = await demoClass(request, 'From the bin', (file) => {
    file.papers.push(paper)
    file.cards[0].papers.base = paper.key
  })
  const before = (await classNow(request, id)).document.cards
  await visit(page, '/')
  await lookFor(page, 'From the bin')
  await page.getByRole('button', { name: 'More for From the bin' }).click()
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await page.getByRole('button', { name: 'Delete class' }).click()
  await expect(page.getByRole('link', { name: 'From the bin' })).toHaveCount(0)
  const { position } = await (await request.get('/api/papers')).json()
  const off = [{ op: 'remove', path: ['papers', paper.key] }]
  expect((await sendEdit(request, { class: null, since: position, patches: off })).ok()).toBe(true)

  await page.reload()
  await page.getByRole('button', { name: 'Studio', exact: true }).click()
  await page.getByRole('menuitem', { name: /^Bin/ }).click()
  await expect(page.getByRole('dialog')).toContainText('Binned paper')
  await page.getByRole('button', { name: 'Bring back From the bin' }).click()
  await expect(page.getByRole('dialog')).not.toContainText('From the bin')
  await page.keyboard.press('Escape')
  await lookFor(page, 'From the bin')
  await expect(page.getByRole('link', { name: 'From the bin' })).toBeVisible()
  const after = (await classNow(request, id)).document
  expect(after.cards).toEqual(before)
  expect(after.papers.some(({ key }: { key: string }) => key === paper.key)).toBe(true)
})

test('everything goes out as one archive and comes in again', async ({ page, request }) => {
  await demoClass(request, 'In the archive')
  const answer = await request.get('/api/archive')
  expect(answer.headers()['content-disposition']).toMatch(/attachment; filename="wakaru-studio-[\d-]+\.zip"/)
  const bytes = await answer.body()
  const names = Object.keys(unzipSync(bytes))
  expect(names.filter(name => name.includes('in-the-archive'))).toHaveLength(1)
  const { total } = await (await request.get('/api/classes')).json()
  expect(names.filter(name => name.endsWith('.wakaru.json')).length).toBeGreaterThanOrEqual(total - 5)

  // One file of it, and one that cannot be read.
  const { zipSync, strFromU8, strToU8 } = await import('fflate')
  const own = zipSync({
    'a.wakaru.json': strToU8(DEMO.replace('Tide and Lantern', 'Out of the archive')), 'b.json': strToU8('{}'),
  })
  await visit(page, '/')
  await page
    .getByLabel('Batch file to import')
    .setInputFiles({ name: 'all.zip', mimeType: 'application/zip', buffer: Buffer.from(own) })
  await expect(page.getByRole('dialog')).toContainText('b.json')
  await expect(page.getByRole('dialog')).toContainText('is not a batch file')
  await page.keyboard.press('Escape')
  await lookFor(page, 'Out of the archive')
  await expect(page.getByRole('link', { name: 'Out of the archive' })).toBeVisible()

  // Once more it says what is there, and nothing is twice unless somebody wants it so.
  const buffer = Buffer.from(zipSync({ 'a.wakaru.json': unzipSync(own)['a.wakaru.json']! }))
  const whole = { name: 'all.zip', mimeType: 'application/zip', buffer }
  await page.getByLabel('Batch file to import').setInputFiles(whole)
  const dialog = page.getByRole('dialog', { name: 'Some are there already' })
  await expect(dialog).toContainText('Out of the archive')
  await dialog.getByRole('button', { name: 'Leave them out' }).click()
  await expect(page.getByText('No class was new.')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Out of the archive' })).toHaveCount(1)
  await page.getByLabel('Batch file to import').setInputFiles(whole)
  await dialog.getByRole('button', { name: 'Add them once more' }).click()
  await expect(page.getByRole('link', { name: 'Out of the archive' })).toHaveCount(2)
  const { settings } = JSON.parse(strFromU8(unzipSync(bytes)['studio.json']!))
  expect(settings.tools.inch.mark).toBeDefined()
  const refused = await request.post('/api/archive', {
    data: Buffer.from('no archive'), headers: { 'Content-Type': 'application/zip' },
  })
  expect([refused.status(), (await refused.json()).message]).toEqual([
    422, expect.stringContaining('is no archive that can be read'),
  ])
})

test('what is too large for any class is refused, whatever it is made of', async ({ request }) => {
  const fields = Array.from({ length: 150_000 }, (_, index) => `"n${index}":1`)
  const names = `{"format":"wakaru-batch","version":2,${fields.join(',')}}`
  const empty = JSON.stringify({ format: 'wakaru-batch', version: 3, cards: Array(600_000).fill({}) })
  const long = DEMO.replace('"trimmer": "12 in"', `"trimmer": "${' 1'.repeat(20_000)}x"`)
  expect(long).not.toBe(DEMO)
  for (const [what, body] of Object.entries({ names, empty, long })) {
    const answer = await request.post('/api/import', {
      data: Buffer.from(body), headers: { 'Content-Type': 'application/json' },
    })
    expect([what, answer.status(), (await answer.json()).data.problems.length]).toEqual([what, 422, expect.any(Number)])
  }
})
