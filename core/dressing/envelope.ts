import type { CardEntry, FreeEntry, FreeKind, WorkEntry } from '../document'
import type { Finding } from '../folds'
import type { Length, Units } from '../lengths'
import { downToMark, formatLength, lengthFrom, nanometres, writeLength } from '../lengths'
import { addFreePiece, setOwnPart } from './edit'
import { freePartKey } from './free'
import { newWork } from './works'

/* A bought envelope, dressed: a liner, a strip across its flap, a stamp on it. */

/** What is cut for an envelope. Both lie in the bag: they are no part of the folded card. */
export type ForEnvelope = Extract<FreeKind, 'liner' | 'flap strip'>

/** Stands for the envelope among the parts of a card that are made otherwise; no part of a fold is called so. */
const ENVELOPE = 'bought-envelope'
/** So much a liner and a strip stay within the envelope on each side, clear of its gum. */
const CLEAR: Record<Units, string> = { inch: '1/8 in', metric: '3 mm' }
/** Envelopes close with a flap of about so much of their height; a liner is trimmed to it. */
const FLAP = 0.4
const STRIP: Record<Units, string> = { inch: '1 in', metric: '25 mm' }

interface Size {
  width: Length
  height: Length
}

/** The largest that a liner or a strip may be, flap included. An envelope opens along its longer side. */
function roomFor(kind: ForEnvelope, envelope: Size, units: Units): Size {
  const [short, long] = [envelope.width, envelope.height].sort((a, b) => a - b) as [Length, Length]
  const [clear, height] = [lengthFrom(CLEAR[units]), kind === 'liner' ? Math.round(short * (1 + FLAP)) : short]
  return { width: nanometres(long - 2 * clear), height: nanometres(height - 2 * clear) }
}

/** The piece that a card has for its envelope, where it has one. */
export const forEnvelope = ({ free }: Pick<CardEntry, 'free'>, kind: ForEnvelope): FreeEntry | undefined =>
  free.find(piece => piece.kind === kind)

/** Cuts a liner or a strip for an envelope, as large as it takes. Changes the card that it is given. */
export function addForEnvelope(card: CardEntry, kind: ForEnvelope, envelope: Size, units: Units, mark: Length): void {
  const room = roomFor(kind, envelope, units)
  const height = kind === 'liner' ? room.height : Math.min(lengthFrom(STRIP[units]), room.height)
  const write = (length: number) => writeLength(downToMark(nanometres(length), mark), units)
  addFreePiece(card, units, {
    key: kind === 'liner' ? 'liner' : 'flap-strip', kind, name: kind === 'liner' ? 'Envelope liner' : 'Flap strip',
    width: write(room.width), height: write(height), hold: 'tape',
  })
}

/** What is done to the envelope of a card. */
export const envelopeWorks = ({ parts }: Pick<CardEntry, 'parts'>): WorkEntry[] =>
  parts.find(({ key }) => key === ENVELOPE)?.works ?? []

/** Whether the envelope of a card is stamped. */
export const isEnvelopeStamped = (card: Pick<CardEntry, 'parts'>): boolean =>
  envelopeWorks(card).some(({ technique }) => technique === 'stamp')

/** The envelope of a card is stamped, or is not. Changes the card that it is given. */
export const stampEnvelope = (card: CardEntry, stamped: boolean): void =>
  setOwnPart(card, ENVELOPE, { works: stamped ? [newWork('work-1')] : [] })

/** What does not go into the envelope, with the figure that does. */
export function envelopePieceFindings(
  { free }: Pick<CardEntry, 'free'>, envelope: Size & { name: string }, units: Units,
): Finding[] {
  return free.flatMap((piece) => {
    if (piece.kind !== 'liner' && piece.kind !== 'flap strip') return []
    const room = roomFor(piece.kind, envelope, units)
    return (['width', 'height'] as const).flatMap((side): Finding[] => {
      if (lengthFrom(piece[side]) <= room[side]) return []
      const most = formatLength(room[side], units, { unit: true })
      return [{
        severity: 'warn', subject: piece.name, part: freePartKey(piece.key), parameter: `free/${piece.key}/${side}`,
        problem: `is too ${side === 'width' ? 'wide' : 'high'} for “${envelope.name}”: ${most} at most.`,
        fix: { parameter: `free/${piece.key}/${side}`, value: room[side] },
      }]
    })
  })
}

/** What is done with a piece for an envelope. */
export const ENVELOPE_STEPS: Record<ForEnvelope, string> = {
  'liner':
    'slide it into the envelope, right side out, down to the fold; close the flap over it, trace it, trim it a little '
    + 'within, and hold it along the flap only, clear of the gum.',
  'flap strip': 'across the flap of the envelope, clear of the gum; trim what stands over.',
}
