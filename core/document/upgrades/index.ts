import { VERSION } from '../version'
import * as from1 from './from-1'
import * as from2 from './from-2'
import * as from3 from './from-3'
import * as from4 from './from-4'
import * as from5 from './from-5'
import * as from6 from './from-6'
import * as from7 from './from-7'
import * as from8 from './from-8'

type Data = Record<string, unknown>

/** One step for each older version, by the version it starts from: pure, and frozen once it has been published. */
const STEPS: Record<number, { class: (document: Data) => Data, paper: (paper: Data) => Data }> = {
  1: { class: from1.upgradeClass, paper: from1.upgradePaper },
  2: { class: from2.upgradeClass, paper: from2.upgradePaper },
  3: { class: from3.upgradeClass, paper: from3.upgradePaper },
  4: { class: from4.upgradeClass, paper: from4.upgradePaper },
  5: { class: from5.upgradeClass, paper: from5.upgradePaper },
  6: { class: from6.upgradeClass, paper: from6.upgradePaper },
  7: { class: from7.upgradeClass, paper: from7.upgradePaper },
  8: { class: from8.upgradeClass, paper: from8.upgradePaper },
}

/** The settings of a studio, which have no version: tools and prices that do not say what came later, and no supplies. */
export function upgradedSettings(data: unknown): unknown {
  if (!isData(data) || !isData(data.tools)) return data
  const tools = Object.entries(data.tools).map(([units, tools]) => [units, from4.upgradeTools(from2.upgradeTools(tools))])
  const settings = { ...data, tools: Object.fromEntries(tools) }
  if ('supplies' in data) return { ...settings, supplies: from8.upgradeSupplies(data.supplies) }
  const prices = from4.upgradePrices(data.prices)
  return { ...settings, prices: from7.upgradePrices(prices), supplies: from7.suppliesIn(prices) }
}

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)

/** What has no version is of the first one, which did not write it down. */
const versionOf = ({ version = 1 }: Data): unknown => version

/** Whether documents of a version can be read; the newest one included. */
export const isKnownVersion = (version: unknown): boolean => version === VERSION || (typeof version === 'number' && version in STEPS)

/**
 * Brings a document to the newest version, step by step. It is checked afterwards, so a
 * step passes on what it does not understand.
 */
export function upgraded(kind: 'class' | 'paper', data: Data): Data {
  let document = data
  for (let version = versionOf(data); version !== VERSION; version = Number(version) + 1) {
    const step = STEPS[Number(version)]
    if (!step) return document
    document = { ...step[kind](document), version: Number(version) + 1 }
  }
  return document
}
