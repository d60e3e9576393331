import { join } from 'node:path'
import { build, context } from 'esbuild'
import { root } from './setup.mjs'

/**
 * What stays where npm put it: what holds compiled code or files of its own, and is loaded with the
 * first paper or picture.
 */
const apart = [
  ...['better-sqlite3', 'sharp', '@node-rs/argon2', 'piscina'],
  ...['pdfmake', '@fontsource/*', 'exifr'],
]

/** Databases that TypeORM would speak to and nobody here has. */
const otherDatabases = [
  ...['@google-cloud/spanner', '@sap/hana-client', '@sap/hana-client/*', 'hdb-pool', 'mongodb'],
  ...['mssql', 'mysql', 'mysql2', 'oracledb', 'pg', 'pg-native', 'pg-query-stream', 'redis'],
  ...['ioredis', 'sqlite3', 'sql.js', 'typeorm-aurora-data-api-driver', 'ts-node'],
  ...['react-native-sqlite-storage', 'expo-sqlite'],
]

/** Packages written for the older kind of module ask for what that gave them. */
const older = [
  "import { createRequire as requireFrom } from 'node:module'",
  'const require = requireFrom(import.meta.url)',
  'const { filename: __filename, dirname: __dirname } = import.meta',
].join('\n')

/**
 * The server and its workers, each one file of plain JavaScript with the packages in it: thousands
 * of small files to find and read were half of what a start took.
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
  external: [...apart, ...otherDatabases],
  banner: { js: older },
  alias: { '@hestian/core': join(root, 'core/src/index.ts') },
  sourcemap: true,
  sourcesContent: false,
  logLevel: 'warning',
}

export const buildServer = () => build(options)
export const watchServer = async () => (await context(options)).watch()

if (process.argv[1] === import.meta.filename) await buildServer()
