import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { installChromium, installMariaDb, programs } from './lib/install'
import { serve } from './lib/serve'
import { buildApplication } from './lib/sources'
import { ROOT } from './lib/root'
import { given } from './lib/arguments'
import { Stop, main, run, say } from './lib/talk'

const REPORTS = join(ROOT, '.data/reports')
const DATABASE = join(ROOT, '.data/test')

/** Counted from the runners' reports; a check that fails without a report of its own counts as one. */
const total = { passed: 0, failed: 0, skipped: 0 }

/** Each by itself uses one core, so they run beside each other. */
type Step = () => Promise<void>
const CHECKS: Record<string, Step> = {
  lint: () => check('Format and lint', 'npm', ['run', '-s', 'lint']),
  types: () => check('Types', 'npm', ['run', '-s', 'types']),
  arrows: () => check('Dependency arrows', 'npm', ['run', '-s', 'arrows']),
}
const TESTS: Record<string, Step> = { unit: unitTests, interface: interfaceTests }
const NAMES = [...Object.keys(CHECKS), ...Object.keys(TESTS)]

main(async () => {
  const takes = `--only takes: ${NAMES.join(', ')}.`
  const { values: { only } } = given({ options: { only: { type: 'string', multiple: true } } }, takes)
  const unknown = (only ?? []).filter(step => !NAMES.includes(step))
  if (unknown.length > 0) throw new Stop(takes)

  await installMariaDb()
  await installChromium()
  rmSync(REPORTS, { recursive: true, force: true })
  mkdirSync(REPORTS, { recursive: true })
  // Types and lint rules of the framework are generated, not kept.
  await run('npx', ['nuxt', 'prepare'], { quiet: true })
  const wanted = (steps: Record<string, Step>) =>
    Object.entries(steps)
      .filter(([name]) => !only || only.includes(name))
      .map(([, step]) => counted(step))
  await Promise.all(wanted(CHECKS).map(step => step()))
  for (const step of wanted(TESTS)) await step()
  const skipped = total.skipped > 0 ? `, ${total.skipped} skipped` : ''
  console.log(`\n${total.passed} passed, ${total.failed} failed${skipped}`)
  return total.failed === 0 && total.passed > 0 ? 0 : 1
})

/** A step whose failure is counted: one that cannot run must not hide what the others say. */
const counted = (step: Step): Step => async () => {
  try {
    await step()
  }
  catch (error) {
    console.error(error instanceof Stop ? error.message : error)
    total.failed++
  }
}

async function check(title: string, command: string, args: string[]): Promise<void> {
  say(`${title} …`)
  const { code, output } = await run(command, args, { quiet: true, allowFailure: true })
  if (code === 0) return
  console.error(output)
  throw new Stop(`${title}: failed.`)
}

async function unitTests() {
  say('Unit tests …')
  const report = join(REPORTS, 'unit.json')
  const { code } = await run(
    'npx',
    ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
    {
      allowFailure: true,
    })
  const { numPassedTests, numFailedTests, numPendingTests } = read(report, 'The unit tests')
  total.passed += numPassedTests
  // A file that cannot even be loaded fails without a failed test.
  total.failed += code === 0 ? numFailedTests : Math.max(1, numFailedTests)
  total.skipped += numPendingTests
}

async function interfaceTests() {
  await buildApplication()
  rmSync(DATABASE, { recursive: true, force: true })
  const { address, stop } = await serve({ folder: DATABASE, port: 0 })
  try {
    say('Interface tests in headless Chromium …')
    const report = join(REPORTS, 'interface.json')
    const { code } = await run('npx', ['playwright', 'test', '--reporter=list,json'], {
      allowFailure: true,
      env: { PLAYWRIGHT_JSON_OUTPUT_NAME: report, WAKARU_URL: address, WAKARU_CHROMIUM: programs.chromium() },
    })
    const { expected, unexpected, flaky, skipped } = read(report, 'The interface tests').stats
    total.passed += expected
    total.failed += code === 0 ? unexpected + flaky : Math.max(1, unexpected + flaky)
    total.skipped += skipped
  }
  finally {
    await stop()
    rmSync(DATABASE, { recursive: true, force: true })
  }
}

function read(report: string, what: string) {
  if (!existsSync(report)) throw new Stop(`${what} left no report.`)
  return JSON.parse(readFileSync(report, 'utf8'))
}
