import Table from 'cli-table3'
import type { Preparation } from '../core/batch'
import { prepare } from '../core/batch'
import { findingsOf } from '../core/kits'
import { paperedCard } from '../core/batch/testing'
import type { Batch, Session } from '../core/document'
import { edited, sessionOf, unsaved } from '../core/document'
import { FOLDS } from '../core/folds'
import { demoBatches } from '../demo'
import { ms, of, time } from './measure'

/** Folds that a class is made of here. */
const FOLDERS = FOLDS.filter(({ id }) => !['plain-card', 'own-strip'].includes(id))

/** A key press in one card of a class: edit, pieces, what is to be saved, and the list of findings. */
function changed(batch: Batch): { edit: number, pieces: number, all: number } {
  let session: Session<Batch> = sessionOf(batch)
  let preparation: Preparation = prepare(batch)
  findingsOf(preparation)
  let turn = 0
  const press = () => {
    turn += 1
    session = edited(
      session, 'border', draft => void (draft.cards[0]!.parameters.border = turn % 2 ? '3/16 in' : '1/8 in'),
      turn * 1000,
    )
  }
  const pieces = () => {
    press()
    preparation = prepare(session.current, preparation)
  }
  return {
    edit: time(press),
    pieces: time(pieces),
    all: time(() => {
      pieces()
      unsaved(session)
      findingsOf(preparation)
    }),
  }
}

/** A change in a class of 12 cards beside the same change in a class of one: only the card it touches is prepared. */
export function editing(): string {
  const [, demo] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch]
  const table = new Table({
    head: [
      'Cards',
      'Edit',
      'Change → pieces',
      'beside one card',
      'With findings and patches',
      'beside one card',
      'Prepared from nothing',
    ],
    style: { head: [], border: [] },
  })
  const classOf = (cards: number): Batch =>
    FOLDERS.slice(0, cards).reduce<Batch>(
      (batch, fold) => ({ ...batch, cards: [...batch.cards, paperedCard(fold, batch)] }),
      {
        ...demo,
        cards: [],
      })
  const one = changed(classOf(1))
  for (const cards of [1, 12, 20]) {
    const batch = classOf(cards)
    const many = cards === 1 ? one : changed(batch)
    table.push([
      cards,
      ms(many.edit),
      ms(many.pieces),
      of(many.pieces, one.pieces),
      ms(many.all),
      of(many.all, one.all),
      ms(time(() => prepare(batch))),
    ])
  }
  return table.toString()
}
