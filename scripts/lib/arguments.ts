import type { ParseArgsConfig } from 'node:util'
import { parseArgs } from 'node:util'
import { Stop } from './talk'

/** What was given to a script; words that it does not know stop it, with its help. */
export function given<Config extends ParseArgsConfig>(config: Config, help: string) {
  try {
    return parseArgs(config)
  }
  catch (error) {
    throw new Stop(`${(error as Error).message}\n\n${help}`)
  }
}
