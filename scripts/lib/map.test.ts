import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { ROOT } from './root'

interface Rule { name: string, to: { pathNot?: string } }
const { forbidden } = createRequire(import.meta.url)('../../.dependency-cruiser.cjs') as { forbidden: Rule[] }
const map = readFileSync(join(ROOT, 'docs/map.md'), 'utf8')
const rooms = readdirSync(join(ROOT, 'core'))
/** Rooms that a room may look at, as the checker holds it. */
const allowed = new Map(forbidden.filter(({ name }) => name.startsWith('arrows-of-')).map(({ name, to }) => {
  const room = name.slice('arrows-of-'.length)
  const all = /\(([^)]*)\)/.exec(to.pathNot ?? '')?.[1]?.split('|') ?? []
  return [room, new Set(all.filter(other => other !== room))]
}))
/** Pairs of rooms with an arrow between them, as drawn. */
const drawn = (/```mermaid([\s\S]*?)```/.exec(map)?.[1] ?? '').split('\n').flatMap((line) => {
  const chain = line.split('-->').map(room => room.trim())
  return chain.slice(1).map((room, at): [string, string] => [chain[at] ?? '', room])
})

describe('the map of the house', () => {
  it('names every room, and none that is not there', () => {
    const named = [...map.matchAll(/^\| `([a-z]+)` \|/gm)].map(([, room]) => room)
    expect(named.sort()).toEqual([...rooms].sort())
    expect([...allowed.keys()].sort()).toEqual([...rooms].sort())
  })

  it('draws the arrows that are held', () => {
    for (const [from, to] of drawn) expect([...allowed.get(to) ?? []], `${from} --> ${to}`).toContain(from)
    // Whatever a room may look at is reached along the arrows.
    const before = (room: string): string[] =>
      drawn.filter(([, to]) => to === room).flatMap(([from]) => [from, ...before(from)])
    for (const [room, others] of allowed) expect(before(room), room).toEqual(expect.arrayContaining([...others]))
  })

  it('names files and folders that are there', () => {
    const places = [...map.matchAll(/`((?:core|app|server|cli|demo|scripts|e2e|benchmark)\/[^`\s]*)`/g)].map(
      ([, place]) => place ?? '',
    )
    expect(places.length).toBeGreaterThan(40)
    expect(places.filter(place => !existsSync(join(ROOT, place)))).toEqual([])
  })
})
