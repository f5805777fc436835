import type { Measure } from '../../lengths'
import type { CardBuilder } from '../model/builder'
import { rule } from '../model/rules'

/** A band round a closed card that holds its doors shut. */
export function bellyBand(
  card: CardBuilder,
  {
    width, height, border, bandHeight, bandOverlap,
  }: Record<'width' | 'height' | 'border' | 'bandHeight' | 'bandOverlap', Measure>,
): void {
  const ease = rule('ease', card.units)
  card.loose('band', 'Belly band', { width: width.times(2).plus(bandOverlap).plus(ease), height: bandHeight })
  card.step(
    'Wrap the belly band loosely round the closed card by hand and glue its ends together, not to the card.',
    'Never score it: a creased band sits too tight.',
  )
  card.atTheEnd()
  card.limit({
    subject: 'Overlap of the band',
    parameter: 'bandOverlap',
    value: bandOverlap,
    atLeast: rule('overlap', card.units),
    severity: 'warn',
    because: 'with less its ends do not hold, unless a topper is glued over them.',
  })
  card.limit({
    subject: 'Band height',
    parameter: 'bandHeight',
    value: bandHeight,
    atMost: height.minus(border.times(2)),
    because: 'the card must show above and below it.',
  })
}
