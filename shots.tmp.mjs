import { chromium } from 'playwright-core'
import { CHROMIUM } from './e2e/chromium.mjs'

const browser = await chromium.launch(CHROMIUM)
for (const spec of process.argv.slice(2)) {
  const [path, w, h, file, ...rest] = spec.split('|')
  const ctx = await browser.newContext({ viewport: { width: +w, height: +h }, colorScheme: rest.includes('dark') ? 'dark' : 'light' })
  const page = await ctx.newPage()
  page.on('pageerror', e => console.log('ERR', e.message)); page.on('console', (m) => { if (m.type() === 'error' || m.type() === 'warning') console.log(m.type(), m.text().slice(0, 200)) })
  await page.goto('http://127.0.0.1:4188' + path); await page.waitForLoadState('networkidle'); await page.waitForTimeout(600)
  for (const r of rest) {
    if (r.startsWith('click=')) { await page.locator(r.slice(6)).first().click(); await page.waitForTimeout(500) }
    if (r.startsWith('fill=')) { const [s, v] = r.slice(5).split('=>'); await page.locator(s).first().fill(v); await page.keyboard.press('Tab'); await page.waitForTimeout(700) }
    if (r.startsWith('key=')) { await page.keyboard.press(r.slice(4)); await page.waitForTimeout(300) }
  }
  await page.screenshot({ path: file, fullPage: rest.includes('full') }); await ctx.close()
}
await browser.close()
