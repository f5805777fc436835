import type { PreparedCard } from '../batch'
import type { PrintBlock, PrintSection } from './model'

/** A slip to go with every kit of a card that has to be set up, for whoever gets the card in the end. */
export function slipSection({ entry, kits, construction }: PreparedCard): PrintSection[] {
  if (!construction || construction.setUp.length === 0 || kits === 0) return []
  const slip: PrintBlock[] = [
    { kind: 'text', strong: true, text: `How to set up ${entry.title}` },
    { kind: 'list', mark: 'number', items: construction.setUp },
  ]
  const cells = Array.from({ length: kits }, () => slip)
  return [{ heading: `Slips to go with ${entry.title}`, blocks: [{ kind: 'side by side', cells }] }]
}
