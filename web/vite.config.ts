import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { transformAsync } from '@babel/core'
import react from '@vitejs/plugin-react'
import type { Plugin, Rolldown } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { defineConfig } from 'vite'

/** Text is squeezed once, at build, as hard as it goes; the server sends what the browser takes. */
function squeezed(): Plugin {
  let folder = 'dist'
  return {
    name: 'squeezed',
    apply: 'build',
    configResolved: ({ root, build }) => {
      folder = join(root, build.outDir)
    },
    closeBundle: {
      order: 'post',
      sequential: true,
      handler: () => {
        for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
          if (!/\.(js|css|html|svg|json)$/.test(name)) continue
          const text = readFileSync(join(folder, name))
          const hardest = { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }
          writeFileSync(join(folder, `${name}.br`), brotliCompressSync(text, hardest))
          writeFileSync(join(folder, `${name}.gz`), gzipSync(text, { level: 9 }))
        }
      },
    },
  }
}

/** The pieces that a piece stands on, itself first, without those that stand in the page already. */
function piecesOf(entry: string, bundle: Rolldown.OutputBundle): readonly string[] {
  const chunks = Object.values(bundle).filter((part) => part.type === 'chunk')
  const first = new Set(chunks.filter(({ isEntry }) => isEntry).map(({ fileName }) => fileName))
  const found = new Set<string>()
  const wanted = chunks
    .filter(({ facadeModuleId }) => facadeModuleId?.endsWith(entry))
    .map(({ fileName }) => fileName)
  for (let name = wanted.pop(); name !== undefined; name = wanted.pop()) {
    if (found.has(name) || first.has(name)) continue
    found.add(name)
    const imports = chunks.find(({ fileName }) => fileName === name)?.imports ?? []
    wanted.push(...imports)
  }
  if (found.size === 0) throw new Error(`no piece is made of ${entry}`)
  return [...found]
}

/**
 * A job's address asks for the pieces of its sheet beside the first script, where they would be
 * known only once that has run.
 */
function ahead(): Plugin {
  return {
    name: 'ahead',
    transformIndexHtml: () => [
      { tag: 'script', attrs: { src: '/before.js' }, injectTo: 'head-prepend' },
    ],
    generateBundle: {
      order: 'post',
      handler(_, bundle) {
        const ofEvery = ['/shell/JobShell.tsx', '/api/jobAnswers.ts']
        const pages = readFileSync(join(import.meta.dirname, 'src/shell/pages.ts'), 'utf8')
        const sheets = [...pages.matchAll(/^ {2}'?([\w-]+)'?: page\(.*import\('\.\.([^']+)'/gm)]
        if (sheets.length < 15) throw new Error('the pages of the sheets are not read any more')
        const pieces = sheets.map(([, sheet, entry]) => [
          sheet,
          [...new Set([...ofEvery, `${entry}.tsx`].flatMap((one) => piecesOf(one, bundle)))],
        ])
        const list = JSON.stringify(Object.fromEntries(pieces))
        const source = readFileSync(join(import.meta.dirname, 'before.js'), 'utf8')
        this.emitFile({
          type: 'asset',
          fileName: 'before.js',
          source: source.replace('const pieces = {}', `const pieces = ${list}`),
        })
      },
    },
  }
}

/** Parts are drawn again only where what they show changed: the compiler keeps the rest. */
function compiled(): Plugin {
  return {
    name: 'compiled',
    enforce: 'pre',
    transform: {
      filter: { id: /\/web\/src\/.*\.tsx?$/ },
      handler: async (code, filename) => {
        const made = await transformAsync(code, {
          ...{ filename, configFile: false, babelrc: false, sourceMaps: true },
          plugins: ['babel-plugin-react-compiler'],
          parserOpts: { plugins: filename.endsWith('x') ? ['typescript', 'jsx'] : ['typescript'] },
        })
        return made?.code ? { code: made.code, map: made.map } : undefined
      },
    },
  }
}

/** What solves a job reads nothing from outside: see `src/work/noSchema.ts`. */
const withoutSchemas = (): Plugin => ({
  name: 'without schemas',
  apply: 'build',
  enforce: 'pre',
  resolveId: {
    filter: { id: /^zod$/ },
    handler: () => join(import.meta.dirname, 'src/work/noSchema.ts'),
  },
})

/** What the pages' parts ask of the languages of the browser, and what it is here. */
const english = {
  strings: /\/intlStrings\.mjs$/,
  ours: /\/i18n\/useDefaultLocale\.mjs$/,
  direction: /\/i18n\/utils\.mjs$/,
}

/**
 * Pages are in one language: the words of thirty others do not travel, and which one the browser
 * speaks, which takes it a tenth of a second on a phone, is never asked.
 */
function inEnglish(): Plugin {
  const found = new Set<string>()
  const written = (code: string, id: string): string => {
    if (english.ours.test(id))
      return `const ours = { locale: 'en-CA', direction: 'ltr' }
        export const getDefaultLocale = () => ours
        export const useDefaultLocale = () => ours`
    if (english.direction.test(id)) return 'export const isRTL = () => false'
    const words = /from "([^"]*\/en-US\.mjs)"/.exec(code)?.[1]
    if (!words) throw new Error(`no English words in ${id}`)
    return `import words from "${words}"
      export default { 'en-CA': words, 'en-US': words }`
  }
  return {
    name: 'in English',
    apply: 'build',
    transform: {
      filter: { id: Object.values(english).map((one) => new RegExp(`react-.*${one.source}`)) },
      handler: (code, id) => {
        found.add(Object.entries(english).find(([, one]) => one.test(id))?.[0] ?? '')
        return { code: written(code, id), map: null }
      },
    },
    buildEnd: (error) => {
      if (!error && found.size < Object.keys(english).length)
        throw new Error('the parts of the pages ask for a language in another place now')
    },
  }
}

export default defineConfig({
  plugins: [
    compiled(),
    inEnglish(),
    react(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'sw.ts',
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Hestian',
        short_name: 'Hestian',
        description: 'Designs, tests and hands over heating and hot water',
        display: 'standalone',
        start_url: '/',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
      },
    }),
    ahead(),
    squeezed(),
  ],
  build: {
    outDir: 'dist',
    sourcemap: false,
    chunkSizeWarningLimit: 700,
    // What an address needs is asked for ahead by it, and the rest when nothing else is to do: a
    // list of pieces beside every late import would cost more than it saves.
    modulePreload: {
      polyfill: false,
      resolveDependencies: (_, pieces, { hostType }) => (hostType === 'html' ? pieces : []),
    },
    rolldownOptions: {
      // Few pieces, because a phone fetches few at a time: what runs first in two, what every job
      // needs, what most sheets show.
      output: {
        codeSplitting: {
          groups: [
            { name: 'first', tags: ['$initial'], test: /node_modules/, priority: 3 },
            { name: 'start', tags: ['$initial'], priority: 2 },
            { name: 'jobs', minShareCount: 20, priority: 1 },
            { name: 'sheets', test: /web\/src\/(ui|shell|job)\//, minShareCount: 15 },
          ],
        },
      },
    },
  },
  worker: { format: 'es', plugins: () => [withoutSchemas()] },
  server: {
    port: Number(process.env.WEB_PORT ?? 5180),
    proxy: { '/api': { target: `http://127.0.0.1:${process.env.PORT ?? 4180}` } },
  },
})
