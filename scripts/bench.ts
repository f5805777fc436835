import { pathToFileURL } from 'node:url'
import { bundle } from './lib/bundle'
import { main } from './lib/talk'

main(async () => {
  const program = await bundle('benchmark/main.ts', ['core', 'demo', 'benchmark', 'cli'])
  const { done } = await import(pathToFileURL(program).href)
  await done
})
