import { createHash } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './root'

/** Rooms of the core that what is found follows from. */
const ROOMS = ['lists', 'lengths', 'cutting', 'sharing', 'together']

/** Changes with every change of what finds plans and shares prints out: another version may find other answers. */
export function plannerVersion(): string {
  const hash = createHash('sha256')
  for (const room of ROOMS)
    for (const file of readdirSync(join(ROOT, 'core', room)).sort())
      if (!/test(ing)?\.ts$/.test(file)) hash.update(file).update(readFileSync(join(ROOT, 'core', room, file)))
  hash.update(readFileSync(join(ROOT, 'node_modules/highs/package.json')))
  return hash.digest('base64url')
}
