import { readPlansFile } from '../../../core/kept'

/** Characters of a file. */
const MOST = 40_000_000

/** Takes in a file of plans, as the command line writes it. What is kept already stays. */
export default defineDoor(async (event) => {
  const read = readPlansFile(await readText(event, MOST))
  if (!read.ok) throw refusal(422, read.problem)
  const { planner, answers } = read.value
  if (planner !== useRuntimeConfig().public.planner)
    throw refusal(422, 'These plans were found by another version of the planner. Plan the class again with this one.')
  const there = await keptUnder(Object.keys(answers))
  const fresh = Object.entries(answers).filter(([id]) => !(id in there))
  for (const [id, text] of fresh) await keepUnder(id, text)
  return { added: fresh.length, there: Object.keys(there).length }
})
