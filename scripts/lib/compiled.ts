import { existsSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs'
import Module, { createRequire } from 'node:module'
import { dirname } from 'node:path'
import { Script } from 'node:vm'

/**
 * Runs a CommonJS bundle with what V8 compiled in an earlier run, kept beside
 * it: a third of the time the command line takes would be compiling. V8 tells
 * another Node, but not another bundle of the same length: its time is in the name.
 * @param file absolute path of the bundle
 * @param [use] the work at hand: each calls other functions, and keeps its own
 */
export function runCompiled(file: string, use: string = '') {
  const cache = `${file}.${use.match(/^[a-z]+$/) ?? 'other'}.${Math.floor(statSync(file).mtimeMs)}`
  const cachedData = existsSync(cache) ? readFileSync(cache) : undefined
  const script = new Script(Module.wrap(readFileSync(file, 'utf8')), { filename: file, cachedData })
  const module = { exports: {} }
  script.runInThisContext().call(module.exports, module.exports, createRequire(file), module, file, dirname(file))
  if (!cachedData || script.cachedDataRejected) {
    // At the end the functions that were called are compiled as well; a wrong call (status 2) called none.
    process.once('exit', status => status < 2 && keep(cache, script.createCachedData()))
  }
}

function keep(cache: string, data: Buffer) {
  try {
    // Never half a file: another run may be about to read it.
    const whole = `${cache}.${process.pid}`
    writeFileSync(whole, data)
    renameSync(whole, cache)
  }
  catch {
    // A folder that cannot be written to costs speed, nothing else.
  }
}
