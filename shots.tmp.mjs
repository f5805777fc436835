import { chromium } from '@playwright/test'
const base = process.env.WAKARU_URL ?? 'http://127.0.0.1:4188'
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
for (const spec of process.argv.slice(2)) {
  const [path, w, h, file, ...acts] = spec.split('|')
  const page = await browser.newPage({ viewport: { width: +w, height: +h }, reducedMotion: 'reduce' })
  page.on('pageerror', e => console.log('PAGEERROR', e.message))
  page.on('console', m => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 300)))
  await page.goto(base + path, { waitUntil: 'networkidle' })
  for (const a of acts) {
    const i = a.indexOf('='); const k = i < 0 ? a : a.slice(0, i); const v = a.slice(i + 1)
    if (k === 'click') await page.locator(v).first().click()
    if (k === 'hover') await page.locator(v).first().hover()
    if (k === 'wait') await page.waitForTimeout(+v)
    if (k === 'fill') { const [s, t] = v.split('=>'); await page.locator(s).first().fill(t) }
  }
  await page.screenshot({ path: file, fullPage: acts.includes('full') })
  await page.close()
}
await browser.close()
