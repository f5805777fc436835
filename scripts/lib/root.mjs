import { fileURLToPath } from 'node:url'

/** The project's folder. */
export const ROOT = fileURLToPath(new URL('../../', import.meta.url))
