/*
 * Checks a sharing that stands written out, sharing no code with what made it: every kit has every print, each is one
 * that it may be of, rules that must be kept are kept, and enough pieces are cut from the very prints that kits are
 * said to have.
 */

/** A sharing as it stands in a file: sizes in nanometres. */
export interface WrittenSharing {
  rules: Record<string, { hold: string, weight: number }>
  cards: {
    card: string
    colourway: string
    /** What is cut for a kit: parts that are of one print, from one blank. */
    blanks: { parts: string[], pool: string, width: number, height: number, count: number, prints: string[] }[]
    /** Parts that should be of different prints. */
    apart: { parts: [string, string], rule: string }[]
  }[]
  kits: { card: string, colourway: string, bag: string, prints: Record<string, string> }[]
  /** What the plans give: pieces of each size from each print, less what is cut of them for other pieces. */
  cut: { print: string, width: number, height: number, count: number }[]
}

/** What is wrong with a sharing, in words; nothing where all is well. */
export function sharingViolations({ rules, cards, kits, cut }: WrittenSharing): string[] {
  const wrong: string[] = []
  const left = new Map<string, number>()
  for (const { print, width, height, count } of cut) {
    const key = `${print} ${Math.max(width, height)} ${Math.min(width, height)}`
    left.set(key, (left.get(key) ?? 0) + count)
  }
  const seen = new Map<string, string>()
  for (const { card, colourway, bag, prints } of kits) {
    const whose = `the kit of ${card} for ${bag || 'nobody'}`
    const made = cards.find(other => other.card === card && other.colourway === colourway)
    if (!made) {
      wrong.push(`${whose} is of the colourway “${colourway}”, which its card does not have`)
      continue
    }
    for (const { parts, width, height, count, prints: allowed } of made.blanks) {
      const of = new Set(parts.map(part => prints[part]))
      const [print] = of
      if (print === undefined) wrong.push(`${whose} has no print for ${parts.join(' and ')}`)
      else if (of.size > 1)
        wrong.push(`${whose} has ${parts.join(' and ')} of different prints, although they are cut from one blank`)
      else if (!allowed.includes(print))
        wrong.push(`${whose} has ${parts.join(' and ')} of ${print}, which is not in the pool`)
      else {
        const key = `${print} ${Math.max(width, height)} ${Math.min(width, height)}`
        const rest = (left.get(key) ?? 0) - count
        if (rest < 0) wrong.push(`${whose} has ${parts.join(' and ')} of ${print}, of which no more are cut`)
        left.set(key, rest)
      }
    }
    for (const { parts: [one, other], rule } of made.apart)
      if (rules[rule]?.hold === 'must' && prints[one] === prints[other])
        wrong.push(`${whose} has ${one} and ${other} of one print; ${rule} ones must differ`)
    const name = `${card} ${colourway} ${Object.keys(prints).sort().map(part => `${part} ${prints[part]}`).join()}`
    const twin = seen.get(name)
    if (twin !== undefined && rules.different?.hold === 'must') wrong.push(
      `${whose} is like the one for ${twin || 'nobody'}; all must differ`)
    seen.set(name, bag)
  }
  return wrong
}
