import { bundle } from './lib/bundle'
import { runCompiled } from './lib/compiled'

// `npm run wakaru` starts this without NODE_EXTRA_CA_CERTS: it opens no connection, and Node
// reads such certificates at every start, which can take longer than the rest.
runCompiled(await bundle('cli/wakaru.ts', ['core', 'cli']), process.argv[2])
