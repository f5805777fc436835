import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import Module, { createRequire } from 'node:module'
import { dirname } from 'node:path'
import { Script } from 'node:vm'

/**
 * Runs a CommonJS bundle with what V8 compiled in an earlier run, kept beside
 * it: a third of the time the command line takes would be compiling. What does
 * not fit (another bundle, another Node) is made anew.
 * @param {string} file absolute path of the bundle
 * @param {string} [use] the work at hand: each calls other functions, and keeps its own
 */
export function runCompiled(file, use = '') {
  const cache = `${file}.${use.match(/^[a-z]+$/) ?? 'other'}.compiled`
  const cachedData = existsSync(cache) ? readFileSync(cache) : undefined
  const script = new Script(Module.wrap(readFileSync(file, 'utf8')), { filename: file, cachedData })
  const module = { exports: {} }
  script.runInThisContext().call(module.exports, module.exports, createRequire(file), module, file, dirname(file))
  if (!cachedData || script.cachedDataRejected) {
    // At the end the functions that were called are compiled as well; a wrong call (status 2) called none.
    process.once('exit', status => status < 2 && keep(cache, script.createCachedData()))
  }
}

function keep(cache, data) {
  try {
    writeFileSync(cache, data)
  }
  catch {
    // A folder that cannot be written to costs speed, nothing else.
  }
}
