import { unzipSync } from 'fflate'
import { prepare } from '../../core/batch'
import { packedBags, summaryOf } from '../../core/kits'
import type { ClassSummary } from '../../core/kits'
import type { Batch, Checked, StudioSettings } from '../../core/document'
import { BOUNDS, withoutNames } from '../../core/document'
import { checkShape, openSettings } from '../../core/document/open'
import { piecesCsv, writePattern } from '../../core/exports'
import type { KeptTexts, TakesSoFar } from '../../core/reserved'
import { takesOf } from '../../core/reserved'
import { blanksOf } from '../../core/folds'
import { readBatch, writeBatch } from '../../core/formats'
import type { Units } from '../../core/lengths'
import { studentPage } from '../../core/printed'
import { VariantShape } from '../utils/shapes'
import { readEdit, savedFrom } from './saving'
import type { Stored } from './stored'
import { UnreadableError, batchOf } from './stored'

/** Classes in one archive. */
const MOST_CLASSES = 5000

/** A page or a file that is made of a class, or why there is none. */
export type Made = { title: string, text: string } | { status: number, message: string }

/** One file of an archive by its place, as far as it is no larger than any may be. */
function unpacked(bytes: Uint8Array, place: number): string | undefined {
  let at = -1
  const [file] = Object.values(unzipSync(bytes, {
    filter({ name, originalSize }) {
      if (name.endsWith('.json')) at += 1
      return name.endsWith('.json') && at === place && originalSize <= BOUNDS.file
    },
  }))
  return file && new TextDecoder().decode(file)
}

/** A page or a file of a class, or that the class was kept by a version which this one cannot read. */
const making = <T>(make: (of: T) => Made | Promise<Made>) => async (of: T): Promise<Made> => {
  try {
    return await make(of)
  }
  catch (error) {
    if (!(error instanceof UnreadableError)) throw error
    return { status: 500, message: error.message }
  }
}

/** Works that take their time: each can be done in a thread of its own, and has no other way in or out. */
export const CHECKERS = {
  /** A batch file. */
  batch: (text: string): Checked<Batch> => readBatch(text),
  /** Changes on their way to be saved. */
  edit: readEdit,
  /** What becomes of what is saved. */
  save: savedFrom,
  /** Names of the files in an archive that may be read, in their order. */
  archive(bytes: Uint8Array): Checked<string[]> {
    const names: string[] = []
    let isTooMuch = false
    try {
      unzipSync(bytes, {
        filter({ name, originalSize }) {
          if (name.endsWith('.json')) names.push(name)
          isTooMuch ||= names.length > MOST_CLASSES || (name.endsWith('.json') && originalSize > BOUNDS.file)
          return false
        },
      })
    }
    catch {
      return { ok: false, problems: [{ path: '', problem: 'is no archive that can be read' }] }
    }
    const most = `more than ${MOST_CLASSES} classes, or one of more than ${BOUNDS.file / 1e6} MB`
    if (isTooMuch) return { ok: false, problems: [{ path: '', problem: `holds ${most}` }] }
    return names.length > 0
      ? { ok: true, value: names }
      : { ok: false, problems: [{ path: '', problem: 'holds no batch file' }] }
  },
  /** One batch file of an archive by its place; no more than it is unpacked, and no more of it than it may have. */
  unpack({ bytes, place }: { bytes: Uint8Array, place: number }): Checked<Batch> {
    const text = unpacked(bytes, place)
    return text === undefined ? { ok: false, problems: [{ path: '', problem: 'cannot be unpacked' }] } : readBatch(text)
  },
  /** What of the studio itself lies in an archive: its settings or its variants; nothing where that cannot be read. */
  belongings({ bytes, place }: { bytes: Uint8Array, place: number }): {
    settings?: StudioSettings
    variants?: VariantShape[]
  } {
    const text = unpacked(bytes, place)
    try {
      const data = JSON.parse(text ?? '') as { settings?: unknown, variants?: unknown }
      const settings = openSettings(data.settings)
      const list = Array.isArray(data.variants) ? data.variants.slice(0, MOST_CLASSES) : []
      const variants = list
        .map((entry: unknown) => checkShape(VariantShape, entry))
        .flatMap(read => (read.ok ? [read.value] : []))
      return { ...(data.settings !== undefined && settings.ok && { settings: settings.value }), variants }
    }
    catch {
      return {}
    }
  },
  /** What a list shows of a class. */
  summary(stored: Stored): ClassSummary {
    const batch = batchOf(stored)
    return summaryOf(batch, batch.papers)
  },
  /** What a class takes from the shelf, from plans that are kept. */
  takes: ({ version, kept, ...stored }: Stored & { version: string, kept: KeptTexts }): TakesSoFar =>
    takesOf(batchOf(stored), version, kept),
  /** A class as a file; names of people only where they are asked for. */
  file: making(({ named, ...stored }: Stored & { named: boolean }) => {
    const batch = batchOf(stored)
    return { title: batch.class.title, text: writeBatch(named ? batch : withoutNames(batch)) }
  }),
  /** All pieces of a class as a table. */
  pieces: making(async (stored: Stored) => {
    const batch = batchOf(stored)
    return { title: `${batch.class.title} pieces`, text: await piecesCsv(batch, prepare(batch)) }
  }),
  /** One flat pattern of a card as a file for a machine. */
  pattern: making(async (
    { card: cardKey, part: partKey, format, ...stored }: Stored & { card: string, part: string, format: 'svg' | 'dxf' },
  ) => {
    const card = prepare(batchOf(stored)).cards.find(({ entry }) => entry.key === cardKey)
    if (!card?.construction)
      return { status: 404, message: 'There is no such card in this class, or its sizes cannot be read.' }
    const blanks = blanksOf(card.construction)
    const part = blanks.find(({ key }) => key === partKey)
    if (!part)
      return {
        status: 404, message: `There is no such blank; there are: ${blanks.map(({ key }) => key).join(', ')}.`,
      }
    return { title: `${card.entry.title} ${part.name}`, text: await writePattern(card.construction, part, format) }
  }),
  /** The page of a class for its students. */
  student: making(({ seat, units, day, ...stored }: Stored & { seat?: string, units: Units | '', day: string }) => {
    const batch = batchOf(stored)
    const preparation = prepare(batch)
    const text = studentPage(preparation, seat, units || batch.class.units, day)
    if (text !== undefined) return { title: `${batch.class.title} ${seat ?? ''}`, text }
    const bags = packedBags(preparation)
    return {
      status: 404,
      message: `The class has no such bag; it has ${bags[0]?.key ?? 'none'} to ${bags.at(-1)?.key ?? 'none'}.`,
    }
  }),
}

export type CheckName = keyof typeof CHECKERS
export type CheckInput<N extends CheckName> = Parameters<(typeof CHECKERS)[N]>[0]
export type CheckOutput<N extends CheckName> = Awaited<ReturnType<(typeof CHECKERS)[N]>>
