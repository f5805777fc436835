import { AsyncZipDeflate, Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { Op } from 'sequelize'
import { StudioClass, Variant } from '../database/models'
import { checked } from './checker'
import { storedClass } from './classes'
import { readSettings } from './settings'
import { listed } from './variants'

/** What of the studio itself lies in an archive. */
export const BELONGINGS = 'studio.json'

/** A title as part of a file name. */
const plain = (title: string) =>
  title.normalize('NFKD').replace(/[^\w\s-]/g, '').trim().replace(/\s+/g, '-').toLowerCase().slice(0, 50) || 'class'

/**
 * Milliseconds between tries where too much is being worked out, and how many there are: half of an archive is of no
 * use to anybody.
 */
const AGAIN = { after: 500, tries: 60 }

async function inItsTurn<T>(work: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await work()
    }
    catch (error) {
      if ((error as { statusCode?: unknown }).statusCode !== 503 || tries === AGAIN.tries) throw error
      await new Promise(resolve => setTimeout(resolve, AGAIN.after))
    }
  }
}

/** Packs a file in a thread of its own; done when all of it has gone into the archive. */
const packed = (file: AsyncZipDeflate, bytes: Uint8Array): Promise<void> =>
  new Promise((resolve) => {
    const { ondata } = file
    file.ondata = (error, data, final) => {
      ondata(error, data, final)
      if (error || final) resolve()
    }
    file.push(bytes, true)
  })

/**
 * The settings and variants of the studio and every class as a batch file with its papers, in one archive, made while
 * it is read: no more than one class is held at a time.
 */
export function archive(): ReadableStream<Uint8Array> {
  let after = 0
  let zip: Zip
  return new ReadableStream<Uint8Array>({
    async start(controller) {
      zip = new Zip((error, data, final) => {
        if (error) return controller.error(error)
        controller.enqueue(data)
        if (final) controller.close()
      })
      const about = new ZipPassThrough('README.txt')
      zip.add(about)
      const words = 'Classes of a Wakaru studio, each with its papers, and its settings with prices, and its variants. '
        + 'Import this archive, or the file of any class.\n'
      about.push(new TextEncoder().encode(words), true)
      const belongings = new ZipDeflate(BELONGINGS)
      zip.add(belongings)
      useDatabase()
      const { settings } = await readSettings()
      const variants = await Variant.findAll({ order: ['id'] })
      const data = { settings, variants: variants.map(listed).map(({ id: _, ...variant }) => variant) }
      belongings.push(new TextEncoder().encode(JSON.stringify(data, null, 2)), true)
    },
    async pull() {
      useDatabase()
      const row = await StudioClass.findOne({
        attributes: ['id', 'title'], where: { id: { [Op.gt]: after } }, order: [['id', 'ASC']],
      })
      if (!row) return zip.end()
      after = Number(row.id)
      const stored = await storedClass(after)
      const size = [stored.document, ...stored.papers].reduce((sum, { length }) => sum + length, 0)
      const made = await inItsTurn(() => checked('file', { ...stored, named: true }, size))
      if ('status' in made) throw new Error(made.message)
      const file = new AsyncZipDeflate(`${String(after).padStart(5, '0')}-${plain(row.title)}.wakaru.json`, {
        level: 6,
      })
      zip.add(file)
      await packed(file, new TextEncoder().encode(made.text))
    },
  })
}
