import type { Batch, DressingEntry, Problem } from '../core/document'
import { readFileSync, writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import type { TeachWishes } from '../core/kits'
import type { Preparation } from '../core/batch'
import type { Note, PaperOutcome } from '../core/plans'
import { planAll, prepareShared } from '../core/plans'
import type { Solve } from '../core/cutting'
import { SKILLS } from '../core/folds'
import { readBatch, readDressing } from '../core/formats'
import { PlansWriter } from '../core/kept'
import { auditReport } from './audit'
import { foldReport, foldsReport } from './folds'
import { CSVS, kitsReport, shoppingReport } from './kits'
import { orderReport } from './order'
import { rehearseReport } from './rehearse'
import { sheetReport } from './sheet'
import { stepsReport } from './steps'
import { drawerReport, piecesReport, planReport } from './reports'
import type { Report } from './reports'
import { mostReport, shareReport } from './sharing'
import { teachReport } from './teach'
import { verifyReport } from './verify'

const HELP = `npm run -s wakaru -- COMMAND FILE [--json]

  pieces FILE   every piece of a batch file: size, number, paper, scores, where it comes from
  steps FILE    how every card is made: construction, layers, pieces and works in one order
  sheet FILE    a sheet for each card to make it at home, in inches and centimetres, as one page of HTML
  rehearse FILE whether the class fits into its evening: timeline, queues, what would help and what that costs
  plan FILE     the cutting of every paper: sheets, lower bound, layouts, order of cuts
  order FILE    one order of cuts for all papers, or for each sitting: stacks, settings, where each part goes
  verify PLAN   checks what “plan”, “order” or “share FILE --json” wrote, sharing no code with the planner
  audit FILE    counts everything a second time: whether bags, plans, lists, shopping and tasks agree
  drawer FILE   how many kits the sheets and offcuts on hand give, and which paper runs out first
  share FILE    who gets which prints of the pools, with the sheets that takes and what each rule costs
  teach SHELF   which folds of the catalogue the shelf of a batch file gives, for how many kits, and what is to buy
  kits FILE     one list for each seat, how far its pieces are made ready, what to do and buy, what it costs
  shopping FILE what to buy of sheets, packs and envelopes, by where it is bought
  folds         the catalogue of folds with their parameters
  fold ID       one fold: pieces, creases, joints, findings, outline, size on display, steps
  schema        the JSON Schema of the batch file
  fields        the fields of a batch file that stand in tables, as a page

  --set name=value   a parameter of the fold, as often as needed
  --dress FILE       what lies on the fold: JSON with faces and free pieces, as a card in a batch file has them
  --masks FOLDER     write a stamping mask of every face that is seen, in real size, as SVG
  --svg FOLDER       write the flat pattern of every blank of the fold, in real size; --dxf FOLDER alike
  --units inch       or metric: which natural sizes to start from, and how to write measures

  --flat             of “teach”: only what goes into a flat letter
  --minutes N        of “teach”: no more minutes at the trimmer than this
  --skill NAME       of “teach”: first card, some care or nimble; as often as needed
  --envelope KEY     of “teach”: what fits into this envelope of the file

  --most        of “share”: the most kits that the sheets on hand give, one of each card
  --csv         of “plan”, “order”, “kits” and “shopping”: the order of cuts, the bags or the list as CSV
  --keep FILE   of “plan” and “order”: writes what was found, to be imported where the same class is planned
  --json        print data instead of tables

FILE is a batch file, or - for standard input. Exit status: 0 done, 1 done with findings
that must be settled before cutting, 2 wrong call or wrong file, 3 Wakaru itself broke down.`

/** What a command talks to. */
export interface Terminal {
  say: (text: string) => void
  complain: (text: string) => void
  /** What is sent to it from outside. */
  input: () => string
  solver: () => Promise<Solve>
  /** The version of the planner, for files of plans. */
  planner?: string
}

/** Commands that take no batch file, or not only one. */
const OTHERS = ['teach', 'verify', 'folds', 'fold', 'schema', 'fields']

/** A command that reports on the plans of a class. */
function ofPlans(report: (batch: Batch, preparation: Preparation, outcomes: PaperOutcome[]) => Report) {
  return async (batch: Batch, solver: Terminal['solver'], note?: Note) => {
    const solve = await solver()
    const preparation = prepareShared(batch, solve, note)
    return report(batch, preparation, planAll(batch, preparation, solve, note))
  }
}

type Command = (batch: Batch, solver: Terminal['solver'], note?: Note) => Report | Promise<Report>

const COMMANDS: Record<string, Command> = {
  pieces: async (batch, solver) => piecesReport(batch, prepareShared(batch, await solver())),
  steps: async (batch, solver) => stepsReport(batch, prepareShared(batch, await solver())),
  sheet: sheetReport,
  rehearse: rehearseReport,
  plan: ofPlans(planReport),
  order: ofPlans(orderReport),
  audit: async (batch, solver) => auditReport(batch, await solver()),
  drawer: async (batch, solver) => {
    const solve = await solver()
    return drawerReport(batch, prepareShared(batch, solve), solve)
  },
  share: async (batch, solver) => shareReport(batch, await solver()),
  kits: async (batch, solver) => kitsReport(batch, await solver()),
  shopping: async (batch, solver) => shoppingReport(batch, await solver()),
}

/** Reads a file of dressing; what is wrong with it where it cannot be used. */
function dressingIn(file: string): DressingEntry | string {
  let text
  try {
    text = readFileSync(file, 'utf8')
  }
  catch (error) {
    return `${file} cannot be read: ${(error as Error).message}`
  }
  const read = readDressing(text)
  return read.ok ? read.value : read.problems.map(problem => `${file}: ${line(problem)}`).join('\n')
}

/** What a class is to be like, as it was asked for; what is wrong with that otherwise. */
function teachWishes(
  {
    flat = false, minutes, skill = [], envelope = '',
  }: { flat?: boolean, minutes?: string, skill?: string[], envelope?: string },
  { post: { envelopes } }: Batch,
): TeachWishes | string {
  const most = minutes === undefined ? null : Number(minutes)
  if (most !== null && !(most > 0 && Number.isFinite(most)))
    return `--minutes is a number of minutes, not “${minutes}”.`
  const unknown = skill.find(one => !SKILLS.some(known => known === one))
  if (unknown !== undefined) return `--skill is one of ${SKILLS.join(', ')}, not “${unknown}”.`
  if (envelope !== '' && envelopes.every(({ key }) => key !== envelope))
    return `--envelope is one of ${envelopes.map(({ key }) => key).join(', ')}, not “${envelope}”.`
  return { flat, minutes: most, skills: SKILLS.filter(known => skill.includes(known)), envelope }
}

const OPTIONS = {
  json: { type: 'boolean' },
  keep: { type: 'string' },
  help: { type: 'boolean', short: 'h' },
  set: { type: 'string', multiple: true },
  units: { type: 'string' },
  csv: { type: 'boolean' },
  most: { type: 'boolean' },
  masks: { type: 'string' },
  svg: { type: 'string' },
  dxf: { type: 'string' },
  dress: { type: 'string' },
  flat: { type: 'boolean' },
  minutes: { type: 'string' },
  skill: { type: 'string', multiple: true },
  envelope: { type: 'string' },
} as const
const parsedFrom = (args: string[]) => parseArgs({ args, allowPositionals: true, options: OPTIONS })
type Values = ReturnType<typeof parsedFrom>['values']

/** What a command comes to: something to say, with what must be settled first, or why it was called wrongly. */
type Answer = Omit<Report, 'data'> & Partial<Report> | { wrong: string }

/**
 * Does what a command line asks for.
 * @returns the exit status: see the help
 */
export async function run(args: string[], terminal: Terminal): Promise<number> {
  const { say, complain } = terminal
  let parsed
  try {
    parsed = parsedFrom(args)
  }
  catch (error) {
    return (complain(`${(error as Error).message}\n\n${HELP}`), 2)
  }
  const {
    values,
    positionals: [name, ...files],
  } = parsed
  if (values.help || name === undefined) return (say(HELP), values.help ? 0 : 2)
  const answer = await answerOf(name, files, values, terminal)
  if ('wrong' in answer) return (complain(answer.wrong), 2)
  say(values.json && answer.data !== undefined ? JSON.stringify(answer.data, null, 2) : answer.text)
  return answer.stops > 0 ? 1 : 0
}

async function answerOf(name: string, files: string[], values: Values, terminal: Terminal): Promise<Answer> {
  if (name === 'schema') {
    const { batchSchema } = await import('./schema')
    return { text: JSON.stringify(batchSchema(), null, 2), stops: 0 }
  }
  if (name === 'fields') {
    const { fieldsPage } = await import('./fields')
    return { text: fieldsPage().trimEnd(), stops: 0 }
  }
  if (name === 'folds' || name === 'fold') return ofFolds(name, files[0], values)
  if (!Object.hasOwn(COMMANDS, name) && name !== 'teach' && name !== 'verify')
    return { wrong: `There is no command “${name}”; there are: ${[...Object.keys(COMMANDS), ...OTHERS].join(', ')}.` }
  const [file] = files
  if (file === undefined || files.length > 1)
    return { wrong: `${name} takes one ${name === 'verify' ? 'plan' : 'batch'} file.\n\n${HELP}` }
  let text
  try {
    text = file === '-' ? terminal.input() : readFileSync(file, 'utf8')
  }
  catch (error) {
    return { wrong: `${file} cannot be read: ${(error as Error).message}` }
  }
  if (name === 'verify') {
    const checked = verifyReport(text)
    return 'wrong' in checked ? { wrong: `${file}: ${checked.wrong}` } : checked
  }
  const read = readBatch(text)
  if (!read.ok) return { wrong: read.problems.map(problem => `${file}: ${line(problem)}`).join('\n') }
  return ofBatch(name, read.value, values, terminal)
}

async function ofFolds(name: 'folds' | 'fold', id: string | undefined, values: Values): Promise<Answer> {
  const { svg, dxf, masks, units, set = [] } = values
  if (units !== undefined && units !== 'inch' && units !== 'metric')
    return { wrong: `--units is inch or metric, not “${units}”.` }
  const dressing = values.dress === undefined ? undefined : dressingIn(values.dress)
  if (typeof dressing === 'string') return { wrong: dressing }
  return name === 'folds' ? foldsReport(units) : foldReport(id, set, units ?? 'inch', { svg, dxf, masks }, dressing)
}

async function ofBatch(name: string, batch: Batch, values: Values, { solver, planner }: Terminal): Promise<Answer> {
  const command = COMMANDS[name]
  if (!command) {
    const wishes = teachWishes(values, batch)
    return typeof wishes === 'string' ? { wrong: wishes } : teachReport(batch, wishes, await solver())
  }
  if (values.csv) {
    const write = Object.hasOwn(CSVS, name) ? CSVS[name] : undefined
    return write ? write(batch, await solver()) : { wrong: `--csv goes with ${Object.keys(CSVS).join(', ')}.` }
  }
  if (values.most)
    return name === 'share' ? mostReport(batch, await solver()) : { wrong: '--most goes with share.' }
  if (values.keep === undefined) return command(batch, solver)
  return kept(name, values.keep, planner, note => command(batch, solver, note))
}

/** Does a command that plans, and writes what it has found into a file. */
async function kept(
  name: string, file: string, planner: string | undefined, command: (note: Note) => Report | Promise<Report>,
): Promise<Answer> {
  if (name !== 'plan' && name !== 'order') return { wrong: '--keep goes with plan and order.' }
  if (planner === undefined) return { wrong: 'Which planner this is is not known: nothing that it finds can be kept.' }
  const writer = new PlansWriter(planner)
  const report = await command((...found) => writer.note(...found))
  try {
    writeFileSync(file, JSON.stringify(writer.file))
  }
  catch (error) {
    return { wrong: `${file} cannot be written: ${(error as Error).message}` }
  }
  return report
}

const line = ({ path, problem }: Problem) => (path ? `${path}: ${problem}` : problem)
