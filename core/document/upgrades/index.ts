import { VERSION } from '../version'
import * as from1 from './from-1'
import * as from10 from './from-10'
import * as from11 from './from-11'
import * as from12 from './from-12'
import * as from2 from './from-2'
import * as from3 from './from-3'
import * as from4 from './from-4'
import * as from5 from './from-5'
import * as from6 from './from-6'
import * as from7 from './from-7'
import * as from8 from './from-8'
import * as from9 from './from-9'
import * as fromNone from './from-none'

type Data = Record<string, unknown>

/** What is kept: a class (alone or with its papers), a paper, the settings of a studio, what is put on a card. */
export type DocumentKind = 'class' | 'paper' | 'settings' | 'dressing'
type Step = (data: Data) => Data

/**
 * One step for each older version and kind, by the version it starts from: pure, and frozen once it has been published.
 */
const STEPS: Record<number, Partial<Record<DocumentKind, Step>>> = {
  1: { class: from1.upgradeClass, paper: from1.upgradePaper },
  2: { class: from2.upgradeClass, paper: from2.upgradePaper },
  3: { class: from3.upgradeClass, paper: from3.upgradePaper },
  4: { class: from4.upgradeClass, paper: from4.upgradePaper },
  5: { class: from5.upgradeClass, paper: from5.upgradePaper },
  6: { class: from6.upgradeClass, paper: from6.upgradePaper },
  7: { class: from7.upgradeClass, paper: from7.upgradePaper },
  8: { class: from8.upgradeClass, paper: from8.upgradePaper },
  9: { class: from9.upgradeClass },
  10: { class: from10.upgradeClass, paper: from10.upgradePaper },
  11: { class: from11.upgradeClass, dressing: from11.upgradeDressing },
  12: { class: from12.withEveningAndDays, settings: from12.withEveningAndDays, dressing: from12.told },
}

/**
 * Kinds that had no version before this one. What is older says by itself what it knows, and is brought here by one
 * step.
 */
const VERSIONED_SINCE = 9
const UNVERSIONED: Partial<Record<DocumentKind, Step>> = {
  settings: fromNone.upgradeSettings, dressing: fromNone.upgradeDressing,
}

/** What has no version is of the first one, which did not write it down. */
const versionOf = ({ version = 1 }: Data): unknown => version

/** Whether documents of a version can be read; the newest one included. */
export const isKnownVersion = (version: unknown): boolean =>
  version === VERSION || (typeof version === 'number' && version in STEPS)

/**
 * Brings what is kept to the newest version, step by step. It is checked afterwards, so a step passes on what it does
 * not understand.
 */
export function upgraded(kind: DocumentKind, data: Data): Data {
  const first = data.version === undefined ? UNVERSIONED[kind] : undefined
  let document = first ? { ...first(data), version: VERSIONED_SINCE } : data
  for (let version = versionOf(document); version !== VERSION; version = Number(version) + 1) {
    const steps = STEPS[Number(version)]
    if (!steps) return document
    document = { ...(steps[kind]?.(document) ?? document), version: Number(version) + 1 }
  }
  return document
}
