import type { Batch, PrintTop, Turn } from '../document'
import type { Length } from '../lengths'

/*
 * What the auditor is given: the document, the pieces of one kit of every card as its fold makes them, and what all
 * others say follows from these. It is plain data, and nothing in this room knows how the others came by it.
 */

/** A piece of one kit. */
export interface KitPart {
  key: string
  name: string
  kind: string
  width: Length
  height: Length
  perKit: number
  printTop: PrintTop
  /** Halves of one pair are cut side by side where they are of one paper. */
  pair?: string
  scores: number
  /** Which of its sides is folded in the middle, where one is. */
  halves?: 'width' | 'height'
  /** Which way most of its creases run, where it has any. */
  creases?: 'width' | 'height'
  /** Joints for which tape is cut or pads are counted. */
  joints: number
  /** Key of the piece that it is cut out of, where it wants no paper of its own. */
  outOf?: string
  /** What is done to it. */
  works?: KitWork[]
}

/** Something that is done to a piece: what that is called, by whom, so many times, and whether before it is put on. */
export interface KitWork {
  technique: string
  name: string
  by: string
  times: number
  isFlat: boolean
}

/** Something of a kit that is bought: so many, each so long where it goes by length. */
export interface KitThing {
  name: string
  count: number
  length?: Length
}

/** One kit of each card, by the card's key. */
export type Recipes = ReadonlyMap<string, { parts: KitPart[], things: KitThing[], envelope?: KitWork[] }>

/** A kit as it is said to be packed. Papers are keys; none where nothing is chosen. */
export interface SaidKit {
  card: string
  colourway?: string
  pieces: { key: string, count: number, paper?: string, level: string }[]
  strips: { paper: string, width: Length, height: Length, turn: Turn, parts: { key: string, count: number }[] }[]
}

/** A cut tree, as far as it is read here. */
export interface SaidTree {
  kind: string
  width: Length
  height: Length
  demand?: string
  turned?: boolean
  parts?: SaidTree[]
}

/** The cutting of one paper as it is said to be. */
export interface SaidCutting {
  paper: string
  /** What the class takes of it in all. */
  wanted: SaidSize[]
  /** What is still to be cut, hidden parts from scrap that were put on its sheets among it. */
  asked: (SaidSize & { key: string })[]
  layouts: { supply: string, repeats: number, root: SaidTree }[]
  unplaced: { demand: string, quantity: number }[]
  supplies: { key: string, kind: string, width: Length, height: Length, onHand: number, isForSale: boolean }[]
}

interface SaidSize {
  width: Length
  height: Length
  turn: Turn
  quantity: number
}

/** A line of a list of what is in a bag. */
export interface SaidLine {
  name: string
  count: number
  /** As it is written, the smaller side first; none of things that are bought. */
  size?: [Length, Length]
  /** Names of paper and state; empty where nothing is said. */
  paper: string
  state: string
}

export interface Said {
  bags: { bag: string, label: string, kits: SaidKit[] }[]
  /** Kits that go into nobody's bag. */
  over: SaidKit[]
  papers: SaidCutting[]
  /** Hidden parts that are cut from what is left over. */
  scrap?: SaidCutting
  /** Lists of what is in each bag, by the bag's key: printed and as data. */
  lists: { source: string, bags: ReadonlyMap<string, SaidLine[]> }[]
  labels: { bags: string[][], kits: string[][] }
  /** Pieces in each bag as the packing check counts them, by the label of the bag. */
  packing: { label: string, pieces: number }[]
  purchases: {
    sort: string
    item: string
    stock: string
    name: string
    needed: number
    onHand: number
    toBuy: number
  }[]
  /** What the supplies are for, by their keys. */
  uses: ReadonlyMap<string, string>
  tasks: { name: string, times: number }[]
}

export interface Audited {
  batch: Batch
  recipes: Recipes
  said: Said
}

/** What does not agree: where, and in words what is and what should be. */
export interface Disagreement {
  where: string
  problem: string
}
