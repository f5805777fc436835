import { runCompiled } from '../compiled'

/** Runs a bundle for a test: its file and the work at hand are given. */
const [, , file = '', use] = process.argv
runCompiled(file, use)
