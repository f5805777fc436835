import { readFileSync, readdirSync, statSync } from 'node:fs'
import { join, relative } from 'node:path'
import { expect, it } from 'vitest'
import { ROOT } from './root'

/** Rooms that look at things a second time share nothing with the others, not even their words. */
const SECOND_EYES = ['core/probing/', 'core/audit/']
/** Steps that are frozen have the same names, one file each. */
const STEPS = ['core/document/upgrades/', 'server/database/migrations/']

function* sources(folder: string): Generator<string> {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) yield* sources(path)
    else if (name.endsWith('.ts') && !/test(ing)?\.ts$/.test(name)) yield relative(ROOT, path)
  }
}

it('each exported name has one meaning', () => {
  const places = new Map<string, string[]>()
  for (const file of ['core', 'app', 'server', 'cli'].flatMap(room => [...sources(join(ROOT, room))])) {
    if ([...SECOND_EYES, ...STEPS].some(room => file.startsWith(room))) continue
    const declared = /^export (?:async )?(?:abstract )?(?:function\*?|class|interface|type|const) (\w+)/gm
    for (const [, name = ''] of readFileSync(join(ROOT, file), 'utf8').matchAll(declared))
      places.set(name, [...new Set([...places.get(name) ?? [], file])])
  }
  expect(places.size).toBeGreaterThan(1000)
  expect([...places].filter(([, files]) => files.length > 1)).toEqual([])
})
