import { checkShape } from './check'
import { keyProblems } from './keys'
import type { Checked } from './problem'
import { MOST_PROBLEMS } from './problem'
import { DressingEntry } from './dressing-shapes'
import { Batch, ClassDocument, PaperEntry, StudioSettings } from './shapes'
import { isEndless } from './sizes'
import type { DocumentKind } from './upgrades'
import { isKnownVersion, upgraded } from './upgrades'
import { VERSION } from './version'

/*
 * The second door of this room, with the validation classes: for the server, the
 * command line and what reads a draft that an older Wakaru kept. Whatever is read,
 * rows of the database, files and drafts, comes through here.
 */

export * from './check'
export * from './shapes'
export * from './validators'
export { IsPatch } from './patch-validators'

const isData = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function open<T extends object>(kind: DocumentKind, shape: new () => T, data: unknown): Checked<T> {
  if (!isData(data)) return { ok: false, problems: [{ path: '', problem: 'must be a JSON object' }] }
  if (data.version !== undefined && !isKnownVersion(data.version)) {
    return {
      ok: false,
      problems: [
        { path: 'version', problem: `is ${JSON.stringify(data.version)}; this Wakaru reads versions 1 to ${VERSION}` },
      ],
    }
  }
  if (isEndless(data)) return { ok: false, problems: [{ path: '', problem: 'holds more than any class can' }] }
  const now = upgraded(kind, data)
  // Only a class has its version among its own fields.
  const checked = checkShape(shape, kind === 'class' ? now : withoutVersion(now))
  if (!checked.ok) return checked
  const problems = keyProblems(checked.value)
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, MOST_PROBLEMS) } : checked
}

function withoutVersion({ version: _, ...rest }: Record<string, unknown>): object {
  return rest
}

/** Reads a class of any version: what it is in the newest one, or what is wrong with it. Never throws. */
export const openDocument = (data: unknown): Checked<ClassDocument> => open('class', ClassDocument, data)

/** The same with the papers of the class. */
export const openBatch = (data: unknown): Checked<Batch> => open('class', Batch, data)

/** Reads a paper of any version; beside it stands the version it was written in. */
export const openPaper = (data: unknown): Checked<PaperEntry> => open('paper', PaperEntry, data)

/**
 * Reads the settings of a studio, as old as they may be; beside them stands the version they were written in, if there
 * was one.
 */
export const openSettings = (data: unknown): Checked<StudioSettings> => open('settings', StudioSettings, data)

/** Reads what is put on a card, in the same way. */
export const openDressing = (data: unknown): Checked<DressingEntry> => open('dressing', DressingEntry, data)
