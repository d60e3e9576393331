import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
export const say = (text) => console.log(`hestian: ${text}`)

/** Says what is wrong and what to do, and ends. */
export function stop(text) {
  console.error(`hestian: ${text}`)
  process.exit(1)
}

const [major = 0, minor = 0] = process.versions.node.split('.').map(Number)
if (major < 20 || (major === 20 && minor < 19))
  stop(`Node ${process.versions.node} is too old; 20.19 or newer is needed.`)

const has = (command) =>
  spawnSync('sh', ['-c', `command -v ${command}`], { stdio: 'ignore' }).status === 0
const isRoot = () => process.getuid?.() === 0

/** Installs Debian packages, or says the line that would. */
function apt(packages, why) {
  const line = `apt-get update && apt-get install -y ${packages.join(' ')}`
  if (!has('apt-get'))
    stop(
      `${why} needs ${packages.join(', ')}, and there is no apt here. Install them and run this again.`,
    )
  if (!isRoot())
    stop(`${why} needs ${packages.join(', ')}. Run: sudo sh -c '${line}' and then this again.`)
  say(`installing ${packages.join(', ')} (${why}) …`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  if (
    spawnSync(
      'sh',
      ['-c', `apt-get update -qq && apt-get install -y -qq ${packages.join(' ')} >/dev/null`],
      { stdio: 'inherit', env },
    ).status !== 0
  )
    stop(`that failed. Try by hand: ${line}`)
}

/**
 * npm's environment: Node's own headers where they are beside it, so that compiling fetches
 * nothing.
 */
function npmEnv() {
  const prefix = resolve(process.execPath, '../..')
  return existsSync(join(prefix, 'include/node'))
    ? { ...process.env, npm_config_nodedir: prefix }
    : process.env
}

const sqliteBinary = () =>
  join(root, 'node_modules/better-sqlite3/build/Release/better_sqlite3.node')
const sqliteWorks = () =>
  existsSync(sqliteBinary()) &&
  spawnSync(process.execPath, ['-e', "new (require('better-sqlite3'))(':memory:').close()"], {
    cwd: root,
    stdio: 'ignore',
  }).status === 0

/** Everything npm brings, but for what has to be compiled. */
export function ensurePackages() {
  const lock = join(root, 'package-lock.json')
  const mark = join(root, 'node_modules/.package-lock.json')
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(lock).mtimeMs - 1000) return
  say('installing packages …')
  const args = ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error']
  if (spawnSync('npm', args, { cwd: root, stdio: 'inherit' }).status !== 0)
    stop(
      'installing failed; the lines above say why. Without a network it needs a filled npm cache.',
    )
}

/** A database driver that loads. It is compiled on one core; the other may do something else. */
export async function ensureDriver() {
  if (sqliteWorks()) return
  const tools = ['python3', 'make', 'g++'].filter((tool) => !has(tool))
  if (tools.length > 0) apt(['build-essential', 'python3'], 'compiling the database driver')
  say('compiling the database driver, up to two minutes …')
  await new Promise((done) =>
    spawn('npm', ['rebuild', 'better-sqlite3', '--loglevel=error'], {
      ...{ cwd: root, stdio: 'ignore', env: npmEnv() },
    }).on('close', done),
  )
  if (!sqliteWorks())
    stop('the database driver does not load. Try: npm rebuild better-sqlite3 --foreground-scripts')
}

/** Everything npm brings, and a database driver that loads. */
export async function ensureInstalled() {
  ensurePackages()
  await ensureDriver()
}

export const chromium = '/usr/bin/chromium'

export function ensureChromium() {
  if (!existsSync(chromium)) apt(['chromium'], 'the journeys in the browser')
}

const newest = (place) =>
  statSync(place).isFile()
    ? statSync(place).mtimeMs
    : Math.max(
        0,
        ...readdirSync(place, { withFileTypes: true, recursive: true })
          .filter((entry) => entry.isFile())
          .map((entry) => statSync(join(entry.parentPath ?? entry.path, entry.name)).mtimeMs),
      )

/** Runs a build when its result is not there or older than its sources. */
function ensureFresh(what, { result, sources, script, cwd = root }) {
  const made = join(root, result)
  const changed = Math.max(...sources.map((source) => newest(join(root, source))))
  if (existsSync(made) && statSync(made).mtimeMs > changed) return
  say(`building ${what} …`)
  if (spawnSync(process.execPath, script, { cwd, stdio: 'inherit' }).status !== 0)
    stop(`${what} did not build; the lines above say why.`)
}

/** Builds the interface and the server where they are missing or out of date. */
export function ensureBuilt() {
  ensureFresh('the interface', {
    result: 'web/dist/index.html',
    sources: ['web/src', 'web/public', 'web/before.js', 'core/src'],
    script: [join(root, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'],
    cwd: join(root, 'web'),
  })
  ensureFresh('the server', {
    result: 'server/dist/server.mjs',
    sources: ['server/src', 'core/src'],
    script: [join(root, 'scripts/buildServer.mjs')],
  })
}

const children = new Set()
let ending = false

/** Starts a process that is ended with this one. A `lasting` one that dies is started again. */
export function start(name, args, env, { lasting = false, quiet = false } = {}) {
  const child = spawn(process.execPath, args, {
    cwd: root,
    env: { ...process.env, ...env },
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
  })
  children.add(child)
  child.on('exit', (code, signal) => {
    children.delete(child)
    if (ending) return
    if (!lasting || code === 78) stop(`the ${name} ended by itself (${signal ?? code}).`)
    say(`the ${name} ended by itself (${signal ?? code}); starting it again.`)
    setTimeout(() => {
      if (!ending) start(name, args, env, { lasting, quiet })
    }, 500)
  })
  return child
}

export function endAll(code = 0) {
  if (ending) return
  ending = true
  for (const child of children) child.kill('SIGTERM')
  const deadline = Date.now() + 4000
  const wait = setInterval(() => {
    if (children.size > 0 && Date.now() < deadline) return
    for (const child of children) child.kill('SIGKILL')
    clearInterval(wait)
    process.exit(code)
  }, 50)
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => endAll(0))

/** Waits until an address answers. */
export async function answers(url, seconds = 60) {
  for (let i = 0; i < seconds * 5; i++) {
    try {
      if ((await fetch(url)).ok) return
    } catch {
      /* not yet */
    }
    await new Promise((done) => setTimeout(done, 200))
  }
  stop(`${url} does not answer after ${seconds} s.`)
}
