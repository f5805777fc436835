import { gzipSync } from 'node:zlib'
import type { Browser } from 'playwright-core'
import { main, say } from './lib/talk'
import { visited } from './lib/visited'

/**
 * Shows how long pages take until they can be worked with, as a ratio to a page of the same application that shows one
 * sentence and fetches nothing: milliseconds differ from machine to machine, the ratio hardly does.
 */
const RUNS = 9
/** A page, its address, and what is there when it can be worked with: a selector and how its text begins. */
const PAGES: [name: string, path: string, selector: string, text: string][] = [
  ['one sentence', '/nowhere', 'p, h1, div', 'There is nothing at this address'],
  ['classes', '/', 'a', 'Tide and Lantern'],
  ['a card', '/classes/2/cards', 'label', 'Finished width'],
  ['papers of a class', '/classes/2/papers', '[role=combobox]', ''],
  ['cutting', '/classes/2/cutting', 'button', 'Chalk'],
  ['catalogue', '/folds', 'a', 'Z-fold'],
  ['reserved', '/reserved', 'h2', 'What lies there'],
]
const median = (values: number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0

/**
 * Milliseconds from asking for a page until what it is for is there, drawn, and the browser listens again; told by the
 * page itself, because whoever asks from outside asks only every so often.
 */
async function timed(browser: Browser, address: string, selector: string, text: string) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await page.addInitScript(([selector = '', text = '']) => {
    function look() {
      const there = [...document.querySelectorAll(selector)].some(element =>
        element.textContent?.trim().startsWith(text),
      )
      requestAnimationFrame(there ? () => setTimeout(() => Object.assign(window, { usable: performance.now() })) : look)
    }
    look()
  }, [selector, text])
  await page.goto(address, { waitUntil: 'commit' })
  const usable = await page.waitForFunction(() => (window as Window & { usable?: number }).usable)
  const taken = await usable.jsonValue()
  await context.close()
  return taken ?? 0
}

/** Kilobytes of scripts, as they are sent, that are asked for until a page can be worked with. */
async function weighed(browser: Browser, address: string, selector: string, text: string) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  const scripts = new Set<string>()
  page.on('request', asked => asked.resourceType() === 'script' && scripts.add(asked.url()))
  await page.goto(address)
  await page.locator(selector).filter({ hasText: text }).first().waitFor()
  const asked = [...scripts]
  await context.close()
  const sizes = await Promise.all(asked.map(async url =>
    gzipSync(Buffer.from(await (await fetch(url)).arrayBuffer())).length))
  return sizes.reduce((sum, size) => sum + size, 0) / 1000
}

main(() => visited('page-speed', async (browser, address) => {
  let least: number | undefined
  for (const [name, path, ...ready] of PAGES) {
    await timed(browser, address + path, ...ready)
    const times: number[] = []
    for (let run = 0; run < RUNS; run++) times.push(await timed(browser, address + path, ...ready))
    const time = median(times)
    least ??= time
    const weight = await weighed(browser, address + path, ...ready)
    say(
      `${name.padEnd(20)} ${String(Math.round(time)).padStart(5)} ms  ${(time / least).toFixed(2)} × the page with one sentence,`
      + `  ${String(Math.round(weight)).padStart(3)} kB of scripts`,
    )
  }
}))
