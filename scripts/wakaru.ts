import { bundle } from './lib/bundle'
import { runCompiled } from './lib/compiled'
import { plannerVersion } from './lib/planner-version'

// `npm run wakaru` starts this without NODE_EXTRA_CA_CERTS: it opens no connection, and Node
// reads such certificates at every start, which can take longer than the rest.
// A file of plans says which planner has found them.
if (process.argv.some(argument => argument.startsWith('--keep'))) process.env.WAKARU_PLANNER = plannerVersion()
runCompiled(await bundle('cli/wakaru.ts', ['core', 'cli']), process.argv[2])
