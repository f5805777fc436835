import * as from2 from './from-2'
import * as from4 from './from-4'
import * as from7 from './from-7'
import * as from8 from './from-8'

/*
 * Settings and dressing from before they had a version, to version 9. Frozen: it is never changed to follow what a new
 * class starts with today.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)
const each = (list: unknown, change: (entry: Data) => Data) =>
  (Array.isArray(list) ? list.map((entry: unknown) => (isData(entry) ? change(entry) : entry)) : list)

/** Tools and prices that do not say what came later, and no supplies. */
export function upgradeSettings(data: Data): Data {
  if (!isData(data.tools)) return data
  const tools = Object.entries(data.tools).map(([units, tools]) => [
    units, from4.upgradeTools(from2.upgradeTools(tools)),
  ])
  const settings = { ...data, tools: Object.fromEntries(tools) }
  if ('supplies' in data) return { ...settings, supplies: from8.upgradeSupplies(data.supplies) }
  const prices = from4.upgradePrices(data.prices)
  return { ...settings, prices: from7.upgradePrices(prices), supplies: from7.suppliesIn(prices) }
}

/** What is put on a card, where nothing is said of the glue: glued all over. */
export function upgradeDressing({ faces = [], free = [], parts = [], ...rest }: Data): Data {
  const glue = { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' }
  const held = (entry: Data) => ({ glue, made: [], foam: '0 in', ...entry })
  const dressed = (face: Data) => ({
    message: false, ...face, ...('layers' in face && { layers: each(face.layers, held) }),
  })
  return { ...rest, faces: each(faces, dressed), free: each(free, piece => ({ from: '', ...held(piece) })), parts }
}
