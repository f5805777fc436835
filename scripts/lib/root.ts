import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The project's folder, from this file or from what is built of it. */
export const ROOT = (() => {
  for (let folder = dirname(fileURLToPath(import.meta.url)); ; folder = dirname(folder))
    if (existsSync(join(folder, 'package-lock.json'))) return join(folder, '/')
})()
