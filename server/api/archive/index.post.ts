import { BOUNDS } from '../../../core/document'

/** Takes an archive of batch files and adds its classes, each by itself; answers which could not be read, and why. */
export default defineEventHandler(async (event) => {
  const bytes = await readBytes(event, 'application/zip', BOUNDS.archive)
  const read = await checked('archive', bytes, Infinity)
  if (!read.ok) throw refusal(422, `The archive ${sentence(read.problems)}`, { problems: read.problems })
  const refused: { file: string, problem: string }[] = []
  let added = 0
  for (const { name, read: file } of read.value) {
    if (!file.ok) {
      refused.push({ file: name.slice(0, 120), problem: sentence(file.problems) })
      continue
    }
    await importBatch(useDatabase(), file.value)
    added += 1
  }
  hurry()
  setResponseStatus(event, 201)
  return { added, refused }
})
