import fc from 'fast-check'
import type { CardEntry, FaceEntry, LayerEntry } from '../document'
import { bareCard } from '../document'
import { defaultInputs, foldById } from '../folds'
import { inches } from '../lengths'
import { byKey } from '../lists'
import { facesOf, newLayer, wholeCard } from '.'

const foldOf = (id: string) => {
  const fold = foldById(id)
  if (!fold) throw new RangeError(`There is no fold “${id}”.`)
  return fold
}
export const mark = inches(1 / 16)
export const SIXTEENTHS = fc.integer({ min: 0, max: 48 })
export const cardOf = (fold: string, own: Partial<CardEntry> = {}): CardEntry => ({
  ...bareCard('card', 'Card', fold),
  parameters: defaultInputs(foldOf(fold).parameters, 'inch'),
  ...own,
})

export const whole = (card: CardEntry) => wholeCard(foldOf(card.fold), card, 'inch', mark)
export const sizes = (card: CardEntry) =>
  whole(card).pieces.map(({ name, width, height }) => [name, width.value, height.value])

export const face = (key: string, ...layers: Partial<LayerEntry>[]): FaceEntry => ({
  key,
  works: [],
  message: false,
  layers: layers.map((layer, at) => ({ ...newLayer(`layer-${at + 1}`, 'inch'), ...layer })),
})

export const at = (construction: ReturnType<typeof whole>, key: string) => {
  const found = byKey(facesOf(construction), key)
  return [found.panel, found.side] as const
}
