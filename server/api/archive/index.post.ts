import type { StudioSettings } from '../../../core/document'
import { BOUNDS } from '../../../core/document'
import { Variant } from '../../database/models'
import type { VariantShape } from '../../utils/shapes'

/** Milliseconds that an archive of everything may take. */
const PATIENCE = 600_000

/**
 * Takes an archive of batch files and adds its classes, each by itself, and the variants that are not there; settings
 * where none were made yet. Where classes are there already, just as they are, it answers with their titles and changes
 * nothing, until somebody says `?twins=skip` or `?twins=add`. Answers which could not be read.
 */
export default defineDoor(async (event) => {
  const bytes = shared(await readBytes(event, 'application/zip', BOUNDS.archive))
  const { twins = 'ask' } = getQuery(event)
  if (twins !== 'ask' && twins !== 'skip' && twins !== 'add') throw refusal(422, 'twins is skip or add.')
  const read = await checked('archive', bytes, Infinity)
  if (!read.ok) throw refusal(422, `The archive ${sentence(read.problems)}`, { problems: read.problems })
  useDatabase()
  const files = [...read.value.entries()]
    .map(([place, name]) => ({ place, name }))
    .filter(({ name }) => name !== BELONGINGS)
  const wrong = new Map<number, { file: string, problem: string }>()
  const there = new Map<number, string>()
  // One after the other: no more than one class is unpacked at a time.
  for (const { place, name } of twins === 'add' ? [] : files) {
    const file = await checked('unpack', { bytes, place }, Infinity)
    if (file.ok && await isThere(file.value)) there.set(place, file.value.class.title)
    if (!file.ok) wrong.set(place, { file: name.slice(0, 120), problem: sentence(file.problems) })
  }
  if (twins === 'ask' && there.size > 0) return { added: 0, there: [...there.values()], refused: [] }

  let added = 0
  for (const { place, name } of files.filter(({ place }) => !there.has(place) && !wrong.has(place))) {
    const file = await checked('unpack', { bytes, place }, Infinity)
    if (file.ok) await importBatch(useDatabase(), file.value)
    else wrong.set(place, { file: name.slice(0, 120), problem: sentence(file.problems) })
    if (file.ok) added += 1
  }
  const place = read.value.indexOf(BELONGINGS)
  if (place >= 0) await takeBelongings(await checked('belongings', { bytes, place }, Infinity))
  hurry()
  setResponseStatus(event, 201)
  return { added, there: [], refused: [...wrong.values()] }
}, PATIENCE)

interface Belongings {
  settings?: StudioSettings
  variants?: VariantShape[]
}

/** Takes over what a studio has not got: variants by their names, and settings where nobody has made any. */
async function takeBelongings({ settings, variants = [] }: Belongings): Promise<void> {
  await useDatabase().transaction(async (transaction) => {
    const now = await readSettings(transaction)
    if (settings && now.position === 0 && now.unreadable === undefined)
      await keepSettings({ since: 0, settings }, transaction)
    const names = new Set(
      (await Variant.findAll({ attributes: ['name'], transaction })).map(({ name }) => name.toLowerCase()),
    )
    for (const variant of variants) {
      const read = readVariant(variant)
      if (!read.ok || names.has(variant.name.toLowerCase())) continue
      names.add(variant.name.toLowerCase())
      await keepVariant(variant, read.dressing, transaction)
    }
  })
}

/** The same bytes where threads can read them without a copy each. */
function shared(bytes: Uint8Array): Uint8Array {
  const copy = new Uint8Array(new SharedArrayBuffer(bytes.length))
  copy.set(bytes)
  return copy
}
