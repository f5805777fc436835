import { BOUNDS, VERSION } from '../document'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readBatch, writeBatch } from '.'
import { demo, readGood, TEXT, file, problemsWith, cutting, layout } from './testing'

describe('the batch file', () => {
  it('comes back as it went out', () => {
    expect(readGood(writeBatch(readGood(TEXT)))).toEqual(readGood(TEXT))
    expect(writeBatch(readGood(TEXT))).toBe(TEXT)
    const { version: _, ...before } = JSON.parse(demo('tide-and-lantern'))
    expect(file()).toMatchObject(before)
  })

  it('names what is nested without end, and names that every object has', () => {
    const told = (text: string) => {
      const read = readBatch(text)
      return read.ok ? [] : read.problems.map(({ path, problem }) => `${path}: ${problem}`)
    }
    const deep = (brackets: [string, string]) =>
      TEXT.replace(
        '"parameters": {',
        `"parameters": {"more":${brackets[0].repeat(50_000)}1${brackets[1].repeat(50_000)},`,
      )
    expect(told(deep(['{"a":', '}']))).toEqual([
      expect.stringMatching(/parameters\.more\.a\.a.*: is nested more than 500 deep$/),
    ])
    expect(told(deep(['[', ']']))).toEqual([
      expect.stringMatching(/parameters\.more\[0\]\[0\].*: is nested more than 500 deep$/),
    ])
    for (const name of ['__proto__', 'constructor', 'toString']) {
      expect(told(TEXT.replace('"parameters": {', `"parameters": {"${name}": "1 in", `))).toEqual([
        `cards[0].parameters.${name}: is not known here; check its spelling`,
      ])
    }
  })

  it('takes a byte order mark', () => {
    expect(readBatch(`\uFEFF${TEXT}`).ok).toBe(true)
  })

  it.each<[string, Parameters<typeof problemsWith>[0], string]>([
    ['another format', f => void (f.format = 'recipe'), 'format: is not a batch file'],
    [
      'a newer version', f => void (f.version = VERSION + 1),
      `version: is ${VERSION + 1}; this Wakaru reads versions 1 to ${VERSION}`,
    ],
    ['no version', f => void delete f.version, 'version: is missing'],
    ['no class', f => void delete f.class, 'class: is missing'],
    ['an empty title', f => void (f.class.title = '  '), 'class.title: cannot be empty'],
    ['a title that is no text', f => void (f.class.title = 7), 'class.title: is a text'],
    ['a day that does not exist', f => void (f.class.date = '2027-02-30'), 'class.date: is a day that exists'],
    ['no seats', f => void (f.class.seats = 0), 'class.seats: must be at least 1'],
    ['half a seat', f => void (f.class.seats = 1.5), 'class.seats: is a whole number'],
    ['seats without end', f => void (f.class.seats = 1e300), 'class.seats'],
    [
      'too many kits', f => void (f.cards[0].kits = 10_001),
      'cards[0].kits: is a whole number from 0 to 10000, or null',
    ],
    [
      'letters for a length', f => void (f.cards[0].parameters.width = 'wide'),
      'cards[0].parameters.width: Finished width',
    ],
    [
      'a number for a length', f => void (f.cards[0].parameters.width = 4.25),
      'cards[0].parameters: is an object of parameters',
    ],
    ['a length without unit', f => void (f.tools.trimmer = '12'), 'tools.trimmer: needs its unit'],
    ['a mark of zero', f => void (f.tools.mark = '0 in'), 'tools.mark: must be more than zero'],
    [
      'a parameter nobody knows',
      f => void (f.cards[0].parameters.wdth = '4 in'),
      'cards[0].parameters.wdth: is not a parameter of this fold',
    ],
    ['a fold nobody knows', f => void (f.cards[1].fold = 'swan'), 'cards[1].fold: is one of: z-fold'],
    [
      'a paper that is not in the file', f => void (f.cards[0].papers.base = 'gold'),
      'cards[0].papers.base: names the paper “gold”',
    ],
    [
      'two cards of one key', f => void (f.cards[1].key = f.cards[0].key),
      'cards[1].key: “harbour-lantern” stands twice',
    ],
    ['a name misspelt', f => void (f.class.seets = 3), 'class.seets: is not known here'],
    ['papers that are no list', f => void (f.papers = {}), 'papers: is a list of papers'],
    [
      'a sheet without height', f => void delete f.papers[0].stocks[0].height,
      'papers[0].stocks[0].height: is a length',
    ],
    ['a colour by name', f => void (f.papers[0].colour = 'red'), 'papers[0].colour: is a colour such as'],
    ['a stock without a key', f => void delete f.papers[0].stocks[0].key, 'papers[0].stocks[0].key: is a key of'],
    [
      'two stocks of one key', f => void (f.papers[0].stocks[1].key = 'letter'),
      'papers[0].stocks[1].key: “letter” stands twice',
    ],
    [
      'an offcut with the key of a stock',
      f => void (f.papers[0].offcuts = [{ key: 'letter', width: '3 in', height: '4 in', count: 1 }]),
      'papers[0].offcuts[0].key: “letter” is the key of a sheet format already',
    ],
    [
      'two envelopes of one key', f => void (f.post.envelopes[1].key = 'small'),
      'post.envelopes[1].key: “small” stands twice',
    ],
    ['half a character', f => void (f.class.title = 'Half \ud83d'), 'class.title: holds half a character'],
    ['a length without end', f => void (f.tools.trimmer = `${'1'.repeat(40_000)} in`), 'tools.trimmer: is a length'],
    [
      'a price below nothing', f => void (f.papers[0].stocks[0].price = -1),
      'papers[0].stocks[0].price: is a whole number from 0',
    ],
    [
      'a grain of no direction', f => void (f.papers[0].grain = 'slanted'),
      'papers[0].grain: is one of: any, width, height',
    ],
    [
      'no offcut at all',
      f => void (f.papers[0].offcuts = [{ key: 'o', width: '3 in', height: '4 in', count: 0 }]),
      'papers[0].offcuts[0].count: must be at least 1',
    ],
    ['a paper called any scrap', f => void (f.papers[0].key = 'any-scrap'), 'papers[0].key: cannot be “any-scrap”'],
    [
      'a wish nobody has', f => void (f.wishes.priority = 'luck'),
      'wishes.priority: is one of: balanced, sheets, easy, money',
    ],
    [
      'seconds below nothing',
      f => void (f.tools.pace.setting = -1),
      'tools.pace.setting: must be at least 0',
    ],
    [
      'wishes for one paper twice', f => void (f.cutting = [cutting({}), cutting({})]),
      'cutting[1].paper: “kelp” stands twice',
    ],
    [
      'a wish for a paper that nobody has',
      f => void (f.cutting = [cutting({ priority: 'luck' })]),
      'cutting[0].priority: is one of: balanced, sheets, easy, money, or null',
    ],
    [
      'a layout without a tree',
      f => void (f.cutting = [layout(undefined)]),
      'cutting[0].layouts[0].tree: the tree is an object with width and height',
    ],
    [
      'a tree without units', f => void (f.cutting = [layout({ width: '8', height: '11 in' })]),
      'tree: the tree.width needs its unit',
    ],
    [
      'a tree with a side and no parts',
      f => void (f.cutting = [layout({ width: '8 in', height: '11 in', side: 'width' })]),
      'the tree has both side and parts, or neither',
    ],
    [
      'a part that is nothing',
      f => void (f.cutting = [layout({ width: '8 in', height: '11 in', side: 'width', parts: [7] })]),
      'the tree.parts[0] is an object',
    ],
    [
      'a piece that may lie as it likes',
      f =>
        void (f.cutting = [
          layout({ width: '8 in', height: '11 in', piece: { width: '8 in', height: '11 in', turn: 'maybe' } }),
        ]),
      'the tree.piece turn is one of: as drawn, turned, either',
    ],
    [
      'a tree deeper than any cut',
      f =>
        void (f.cutting = [
          layout(
            Array.from({ length: 60 }).reduce<object>(
              inside => ({ width: '8 in', height: '11 in', side: 'width', parts: [inside] }),
              {
                width: '8 in',
                height: '11 in',
              }),
          ),
        ]),
      'nested at most 24 deep',
    ],
    [
      'a tree wider than any sheet',
      f =>
        void (f.cutting = [
          layout({
            width: '8 in',
            height: '11 in',
            side: 'width',
            parts: Array.from({ length: 900 }, () => ({ width: '1 in', height: '11 in' })),
          }),
        ]),
      'holds at most 400 parts',
    ],
    [
      'a thousand cards', f => void (f.cards = Array.from({ length: 1000 }, () => f.cards[1])),
      'cards: holds at most 40 cards',
    ],
    ['a card that is null', f => void (f.cards[0] = null), 'cards: is a list of cards'],
    ['a list for a card', f => void (f.cards[0] = []), 'cards: is a list of cards'],
    ['a list for the class', f => void (f.class = []), 'class: must be the class: title'],
  ])('refuses %s and names the place', (_, change, problem) => {
    expect(problemsWith(change).join('\n')).toContain(problem)
  })

  it.each([
    ['', 'is not JSON'],
    ['{"format":', 'is not JSON'],
    ['[]', 'is not a batch file'],
    ['null', 'is not a batch file'],
    ['"text"', 'is not a batch file'],
    [`{"format":"wakaru-batch","x":"${'x'.repeat(BOUNDS.file)}"}`, 'has at most 4 MB'],
  ])('refuses a file that is something else', (text, problem) => {
    const read = readBatch(text)
    expect(read.ok ? '' : read.problems[0]!.problem).toContain(problem)
  })

  it('leaves no trace of names that JavaScript treats specially', () => {
    const text = TEXT.replace('"parameters": {', '"parameters": { "__proto__": { "polluted": true },')
    readBatch(text)
    expect(({} as Record<string, unknown>).polluted).toBeUndefined()
  })

  it('never throws, whatever stands where', () => {
    const paths = [
      ['class'],
      ['cards'],
      ['cards', '0'],
      ['cards', '0', 'parameters'],
      ['tools', 'mark'],
      ['papers', '0', 'stocks'],
      ['wishes'],
      ['prices', 'currency'],
    ]
    fc.assert(
      fc.property(fc.constantFrom(...paths), fc.jsonValue(), (path, value) => {
        const changed = file()
        const parent = path.slice(0, -1).reduce((at, key) => at[key], changed)
        parent[path.at(-1)!] = value
        const read = readBatch(JSON.stringify(changed))
        if (!read.ok) expect(read.problems.length).toBeGreaterThan(0)
      }),
    )
  })
})
