import { join } from 'node:path'
import { build, context } from 'esbuild'
import { root } from './setup.mjs'

/**
 * The server and its workers, each one file of plain JavaScript; packages stay where npm put them.
 */
const options = {
  absWorkingDir: root,
  entryPoints: { server: 'server/src/index.ts', worker: 'server/src/workers/worker.ts' },
  outdir: 'server/dist',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: { '@hestian/core': join(root, 'core/src/index.ts') },
  sourcemap: true,
  logLevel: 'warning',
}

export const buildServer = () => build(options)
export const watchServer = async () => (await context(options)).watch()

if (process.argv[1] === import.meta.filename) await buildServer()
