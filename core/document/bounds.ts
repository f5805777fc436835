/** What the doors allow; the same figures stand in the JSON Schema and in the forms. */
export const BOUNDS = {
  /** Bytes; a file beyond it is something else. */
  file: 4_000_000,
  /** Bytes of a class without its papers; with as many papers as it may name it still goes into a file. */
  document: 1_000_000,
  /** Bytes of what a page sends at once. */
  body: 1_200_000,
  /** Bytes of a small form. */
  form: 120_000,
  /** Bytes of an archive of everything. */
  archive: 64_000_000,
  key: 80,
  title: 120,
  /** Cards of a class that a list of classes shows as pictures. */
  pictures: 4,
  notes: 4000,
  /** Characters of a length or of another parameter written as text. */
  length: 60,
  parameter: 400,
  /** Parameters of a card, and parts with a paper. */
  names: 200,
  /** Changes sent at once. */
  patches: 5000,
  seats: 500,
  spares: 100,
  kits: 10_000,
  cards: 40,
  /** Faces of a card that are dressed otherwise than the catalogue has it, layers on each, and free pieces. */
  faces: 80,
  layers: 3,
  free: 40,
  /** Steps of a card that are told or placed otherwise, and characters of one. */
  steps: 80,
  words: 1200,
  /** Characters of what is told besides the steps. */
  note: 2000,
  /** Works on one piece or face. */
  works: 8,
  /** Of one free piece in a kit. */
  inKit: 50,
  /** Characters of an outline. */
  outline: 6000,
  papers: 120,
  pools: 20,
  /** Papers of a pool. */
  inPool: 40,
  /** Colourways of a card. */
  colourways: 12,
  /** Bags that people choose from on the day. */
  surplus: 60,
  /** Of a wish beside a sheet, which weighs 100. */
  ruleWeight: 1000,
  /** Bags with something of their own: every seat, spare bag and bag to choose from. */
  bags: 660,
  /** Supplies, and lines of a shopping list that something is noted of. */
  supplies: 80,
  shopping: 400,
  /** Metres, millilitres or pieces of a pack. */
  amount: 100_000,
  /** Labels across or down a sheet. */
  labels: 30,
  /** How far pieces are made ready, in so many ways. */
  profiles: 12,
  /** Pieces to choose from beyond those that a card takes. */
  more: 20,
  /** Machines or heat tools. */
  tools: 50,
  /** Minutes that a class lasts. */
  lasts: 1440,
  stocks: 8,
  /** Sheets of a pack or of a pad, papers of a pad. */
  inPack: 1000,
  inPad: 40,
  onSheet: 40,
  link: 400,
  /** Of what is noted about a paper, and papers that it stands in for. */
  paperNote: 600,
  standsIn: 8,
  weight: { least: 40, most: 600 },
  stack: 50,
  sittings: 6,
  onHand: 100_000,
  offcuts: 60,
  seconds: 3600,
  moreSheets: 1000,
  /** Of piles, layouts and stages that a maker allows. */
  limit: 60,
  layouts: 60,
  parts: 400,
  cents: 1_000_000,
  envelopes: 24,
  rates: 12,
  postDays: 60,
  grams: 5000,
  /** Cubic centimetres of a gram of paper. */
  bulk: { least: 0.5, most: 4 },
} as const
