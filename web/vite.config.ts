import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { transformAsync } from '@babel/core'
import react from '@vitejs/plugin-react'
import type { Plugin } from 'vite'
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

export default defineConfig({
  plugins: [
    compiled(),
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
    squeezed(),
  ],
  build: {
    outDir: 'dist',
    sourcemap: false,
    chunkSizeWarningLimit: 700,
    rolldownOptions: {
      // One piece for what runs first: a phone fetches few pieces at a time.
      output: {
        codeSplitting: { groups: [{ name: 'first', tags: ['$initial'], test: /node_modules/ }] },
      },
    },
  },
  worker: { format: 'es' },
  server: {
    port: Number(process.env.WEB_PORT ?? 5180),
    proxy: { '/api': { target: `http://127.0.0.1:${process.env.PORT ?? 4180}` } },
  },
})
