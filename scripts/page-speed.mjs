import { main, say } from './lib/talk.mjs'
import { visited } from './lib/visited.mjs'

/**
 * Shows how long pages take until they can be worked with, as a ratio to a page of the same application that shows one
 * sentence and fetches nothing: milliseconds differ from machine to machine, the ratio hardly does.
 */
const RUNS = 9
const PAGES = [
  ['one sentence', '/nowhere', page => page.getByText('There is nothing at this address')],
  ['classes', '/', page => page.getByRole('link', { name: 'Tide and Lantern' })],
  ['a card', '/classes/2/cards', page => page.getByLabel('Finished width')],
  ['papers of a class', '/classes/2/papers', page => page.getByRole('combobox').first()],
  ['cutting', '/classes/2/cutting', page => page.getByRole('button', { name: /^Chalk/ }).first()],
  ['catalogue', '/folds', page => page.getByRole('link', { name: 'Z-fold', exact: true })],
]
const median = values => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]

/** Milliseconds from asking for a page until what it is for is there and answers. */
async function timed(browser, address, ready) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  const started = performance.now()
  await page.goto(address, { waitUntil: 'commit' })
  await ready(page).click({ trial: true })
  // The browser has nothing left to do before it listens to the maker.
  await page.evaluate(() => new Promise(resolve => requestAnimationFrame(() => setTimeout(resolve))))
  const taken = performance.now() - started
  await context.close()
  return taken
}

main(() => visited('page-speed', async (browser, address) => {
  let least
  for (const [name, path, ready] of PAGES) {
    await timed(browser, address + path, ready)
    const times = []
    for (let run = 0; run < RUNS; run++) times.push(await timed(browser, address + path, ready))
    const time = median(times)
    least ??= time
    say(`${name.padEnd(20)} ${String(Math.round(time)).padStart(5)} ms  ${(time / least).toFixed(2)} × the page with one sentence`)
  }
}))
