import type { Transaction } from 'sequelize'
import type { Problem, DressingEntry } from '../../core/document'
import { NO_DRESSING, VERSION } from '../../core/document'
import { openDressing } from '../../core/document/open'
import { foldById, inputProblems } from '../../core/folds'
import { Studio, Variant } from '../database/models'
import { refusal } from './door'
import type { VariantShape } from './shapes'

/** Variants of one studio. */
const MOST = 500

/** A variant as pages have it. What was put on it and cannot be read any more is left out; its sizes still serve. */
export function listed({ id, name, fold, units, parameters, dressing }: Variant) {
  const read = openDressing(dressing)
  return { id, name, fold, units, parameters, dressing: read.ok ? read.value : NO_DRESSING }
}

/** What is put on a variant, or why it cannot be kept. */
export function readVariant({ fold: foldId, units, parameters, dressing: put }: VariantShape):
  { ok: true, dressing: DressingEntry } | { ok: false, message: string, problems: Problem[] } {
  const wrong = (problems: Problem[]) => ({ ok: false as const, message: 'The variant was not kept.', problems })
  const dressing = openDressing(put)
  if (!dressing.ok) return wrong(dressing.problems.map(({ path, problem }) => ({ path: `dressing.${path}`, problem })))
  const { faces, free } = dressing.value
  const fold = foldById(foldId)
  if (!fold && foldId !== '') return { ok: false, message: `There is no fold “${foldId}”.`, problems: [] }
  if (!fold && (free.length !== 1 || faces.length > 0 || Object.keys(parameters).length > 0))
    return { ok: false, message: 'What is kept without a fold is one free piece and nothing else.', problems: [] }
  const problems = inputProblems(fold?.parameters ?? {}, parameters, units)
  if (problems.length > 0)
    return wrong(problems.map(({ parameter, problem }) => ({ path: `parameters.${parameter}`, problem })))
  return { ok: true, dressing: dressing.value }
}

/** Keeps a variant; answers its number. One after the other, so that they are counted right. */
export async function keepVariant(
  { name, fold, units, parameters }: VariantShape, dressing: DressingEntry, transaction: Transaction,
) {
  await Studio.findByPk(1, { transaction, lock: transaction.LOCK.UPDATE })
  if ((await Variant.count({ transaction })) >= MOST)
    throw refusal(422, `There are ${MOST} variants; remove one first.`)
  return (
    await Variant.create(
      { name, fold, units, parameters, dressing: { version: VERSION, ...dressing } }, { transaction },
    )
  ).id
}
