import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { bundle } from './lib/bundle.mjs'
import { runCompiled } from './lib/compiled.mjs'
import { ROOT } from './lib/root.mjs'

// `npm run wakaru` starts this without NODE_EXTRA_CA_CERTS: it opens no connection, and Node
// reads such certificates at every start, which can take longer than the rest.
if (existsSync(join(ROOT, 'node_modules/esbuild'))) {
  runCompiled(await bundle('cli/wakaru.ts', ['core', 'cli']), process.argv[2])
}
else {
  console.error('The npm packages are missing. Run npm start or npm ci first.')
  process.exitCode = 1
}
