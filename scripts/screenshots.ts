import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './lib/root'
import { main, say } from './lib/talk'
import { visited } from './lib/visited'

/** Takes one picture of each main view from the demo data, at 1280 × 800, and of a card on a phone. */
const VIEWS: [name: string, path: string, how?: { dark?: boolean, phone?: boolean, search?: boolean }][] = [
  ['classes', '/'],
  ['card', '/classes/2/cards'],
  ['card-dark', '/classes/3/cards?card=jetty', { dark: true }],
  ['card-phone', '/classes/2/cards', { phone: true }],
  ['catalogue', '/folds'],
  ['fold', '/folds/step-popup'],
  ['papers', '/classes/2/papers'],
  ['pieces', '/classes/2/pieces'],
  ['cutting', '/classes/2/cutting'],
  ['layouts', '/classes/2/cutting?paper=lantern'],
  ['kits', '/classes/2/kits'],
  ['evening', '/classes/3/evening'],
  ['shelf', '/papers'],
  ['reserved', '/reserved'],
  ['teach', '/teach', { search: true }],
  ['settings', '/settings'],
  ['print-cutting', '/print/2/cutting'],
  ['print-kits', '/print/2/kits'],
  ['print-handouts', '/print/2?only=handouts'],
]

main(() => visited('pictures', async (browser, address) => {
  const target = join(ROOT, 'docs/screenshots')
  mkdirSync(target, { recursive: true })
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  for (const [name, path, { dark = false, phone = false, search = false } = {}] of VIEWS) {
    const page = await context.newPage()
    if (phone) await page.setViewportSize({ width: 390, height: 844 })
    await page.emulateMedia({ colorScheme: dark ? 'dark' : 'light' })
    await page.goto(address + path)
    await page.waitForLoadState('networkidle')
    // Once more: a font that comes late is used from the next visit on.
    await page.reload({ waitUntil: 'networkidle' })
    await page.getByRole('heading').first().waitFor()
    await page.getByText('working', { exact: true }).first().waitFor({ state: 'hidden', timeout: 120_000 })
    await page.getByText(/^Planning the cutting/).first().waitFor({ state: 'hidden', timeout: 120_000 })
    if (search) await page.getByRole('button', { name: 'That will do' }).waitFor({ state: 'hidden', timeout: 120_000 })
    await page.waitForTimeout(1500)
    await page.screenshot({ path: join(target, `${name}.png`) })
    await page.close()
    say(`docs/screenshots/${name}.png`)
  }
}))
