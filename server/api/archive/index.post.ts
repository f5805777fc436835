import { BOUNDS } from '../../../core/document'

/** Takes an archive of batch files and adds its classes, each by itself; answers which could not be read, and why. */
export default defineEventHandler(async (event) => {
  const bytes = shared(await readBytes(event, 'application/zip', BOUNDS.archive))
  const read = await checked('archive', bytes, Infinity)
  if (!read.ok) throw refusal(422, `The archive ${sentence(read.problems)}`, { problems: read.problems })
  const refused: { file: string, problem: string }[] = []
  let added = 0
  // One after the other: no more than one class is unpacked at a time.
  for (const [place, name] of read.value.entries()) {
    const file = await checked('unpack', { bytes, place }, Infinity)
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

/** The same bytes where threads can read them without a copy each. */
function shared(bytes: Uint8Array): Uint8Array {
  const copy = new Uint8Array(new SharedArrayBuffer(bytes.length))
  copy.set(bytes)
  return copy
}
