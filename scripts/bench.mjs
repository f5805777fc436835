import { pathToFileURL } from 'node:url'
import { installPackages } from './lib/install.mjs'
import { bundle } from './lib/bundle.mjs'
import { main } from './lib/talk.mjs'

main(async () => {
  await installPackages()
  const { done } = await import(pathToFileURL(await bundle('benchmark/main.ts', ['core', 'demo', 'benchmark', 'cli'])))
  await done
})
