import { mainThread, memory } from './people'
import type { Answer, Row } from './parts'
import type { Person } from './people'
import { pause } from './studio'
import type { Drawn } from './worst'

/** Milliseconds of the main thread that whatever is allowed may take. */
const MOST = 50

type Ask = (at: number) => Promise<Answer | undefined>
/** What a request came to: how it was answered, and milliseconds of the main thread. */
interface Cost {
  status: number | undefined
  busy: number
}

/** Figures of classes that were changed before are not of a request: until they are worked out nothing is weighed. */
async function settled(one: Person) {
  const isPending = ({ pending }: { pending: boolean }) => pending
  while ((await one.ask('/api/classes?when=all'))?.data.classes.some(isPending)) await pause(200)
}

async function quiet() {
  let before
  do {
    before = mainThread()
    await pause(300)
  } while (mainThread() - before > 3)
}

async function measure(ask: Ask, times = 1): Promise<Cost> {
  await quiet()
  const begin = mainThread()
  const answers = []
  for (let at = 0; at < times; at++) answers.push(await ask(at))
  // What it leaves to be done afterwards counts too, but for what others ask for.
  await pause(30)
  return { status: answers[0]?.status, busy: (mainThread() - begin) / times }
}

/** Weighs requests of somebody by what the main thread does for them, beside a request that asks for nothing. */
export async function weighing(one: Person) {
  const rows: Row[] = []
  for (let times = 0; times < 50; times++) await one.ask('/api/health')
  const nothing = (await measure(() => one.ask('/api/health'), 100)).busy
  return { rows, measure, row, add, drawn }

  /** What changes nothing is asked several times: what a first time costs more is not of that request. */
  async function row(what: string, ask: Ask, expected: number[], times = 1) {
    await settled(one)
    add(what, await measure(ask, times), expected)
  }

  function add(what: string, { status, busy }: Cost, expected: number[]) {
    rows.push({
      what,
      done: `answered ${status}`,
      seen: `${said(busy)}; ${memory()} MB`,
      good: status !== undefined && expected.includes(status) && busy <= MOST,
    })
  }

  function said(busy: number, most = '') {
    return `${busy.toFixed(1)} ms of the main thread${most}, ${Math.round(busy / nothing)} × a request for nothing`
  }

  /** Requests drawn by lot: the one that costs most is told. A first few are for warming up. */
  async function drawn(what: string, many: number, draw: () => Drawn) {
    const seen: (Cost & { what: string })[] = []
    for (let at = -10; at < many; at++) {
      const { what, ask } = draw()
      let cost = await measure(() => ask(one))
      // Figures may have come in between, so what is dear is asked once more when there are none; it counts where the
      // answer is the same.
      if (cost.busy > MOST) {
        await settled(one)
        const again = await measure(() => ask(one))
        if (again.status === cost.status && again.busy < cost.busy) cost = again
      }
      if (at >= 0) seen.push({ what, ...cost })
    }
    const worst = seen.reduce((most, next) => (next.busy > most.busy ? next : most))
    const answers = [...new Set(seen.map(({ status }) => status ?? 0))].sort()
    const often = (answer: number) => seen.filter(({ status }) => (status ?? 0) === answer).length
    rows.push({
      what,
      done: `${many}, answered ${answers.map(answer => `${answer} (${often(answer)})`).join(', ')}`,
      seen: `${said(worst.busy, ' at most')}: ${worst.what}`,
      good: answers.every(answer => [200, 201, 409, 413, 422].includes(answer)) && worst.busy <= MOST,
    })
  }
}
