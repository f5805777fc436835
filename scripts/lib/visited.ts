import { rmSync } from 'node:fs'
import { join } from 'node:path'
import type { Browser } from 'playwright-core'
import { installChromium, installMariaDb } from './install'
import { ROOT } from './root'
import { serve } from './serve'
import { buildApplication } from './sources'

/** Runs some work with a browser and the address of a demo studio of its own, which is gone afterwards. */
export async function visited(name: string, work: (browser: Browser, address: string) => Promise<void>) {
  await installMariaDb()
  await installChromium()
  await buildApplication()
  const folder = join(ROOT, '.data', name)
  rmSync(folder, { recursive: true, force: true })
  const { address, stop } = await serve({ folder, port: 0 })
  const { chromium } = await import('playwright-core')
  const { CHROMIUM } = await import('../../e2e/chromium')
  const browser = await chromium.launch(CHROMIUM)
  try {
    await work(browser, address)
  }
  finally {
    await browser.close()
    await stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
