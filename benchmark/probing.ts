import { randomCards } from '../core/probing/testing'

/** Cards looked at in one go, after which it is told how far it is. */
const AT_ONCE = 500
const MOST_TOLD = 10

/**
 * Looks at random dressed cards in space once more and compares what findings say of them.
 * @param cards how many
 * @param first number of the first one: the same numbers are the same cards
 */
export function lookAtMany(
  cards: number, first: number,
): { looked: number, messages: number, wrong: string[], failures: number } {
  const all = { looked: 0, messages: 0, wrong: [] as string[], failures: 0 }
  for (let done = 0; done < cards; done += AT_ONCE) {
    const { looked, messages, wrong } = randomCards(first + done, Math.min(AT_ONCE, cards - done))
    all.looked += looked
    all.messages += messages
    all.failures += wrong.length
    all.wrong.push(...wrong.slice(0, MOST_TOLD - all.wrong.length))
  }
  return all
}
