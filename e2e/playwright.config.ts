import { defineConfig } from '@playwright/test'

const port = Number(process.env.E2E_PORT ?? 4290)
/**
 * The first half by name. Which journeys share a demo is kept as it is: some find a job by a name
 * that others copy.
 */
const first = [
  ...['bench', 'byHand', 'byKeyboard', 'everyPage', 'gas', 'kept', 'liveByHand', 'network'],
  ...['nothingLost', 'onSite', 'passkey', 'people'],
]
const filesOf = (names: string[]): string[] => names.map((name) => `${name}.spec.ts`)
const results = process.env.E2E_RESULTS ?? '../test-results/journeys.json'

/**
 * Journeys run one after the other on one demo, in Debian's Chromium, with a gauge that runs twenty
 * times faster than life. One that fails is tried once more, and said to be unsteady if it then
 * passes: a machine that does other things meanwhile is slow, not wrong. For the same reason what
 * is looked for may take its time (a shared machine was seen to stand still for ten seconds); how
 * quick a page is, the bench measures.
 */
export default defineConfig({
  testDir: '.',
  fullyParallel: false,
  workers: 1,
  timeout: 360_000,
  expect: { timeout: 30_000 },
  retries: 1,
  projects: [
    { name: 'first', testMatch: filesOf(first) },
    { name: 'second', testIgnore: filesOf(first) },
  ],
  reporter: [['list'], ['json', { outputFile: results }]],
  outputDir: `../test-results/journeys-${port}`,
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 30_000,
    // A picture of every press takes longer than many presses: asked for when one looks into a
    // failure.
    trace: process.env.E2E_TRACE === '1' ? 'retain-on-failure' : 'off',
    // A worker between page and server would answer what a journey holds up on purpose;
    // e2e/kept.spec.ts lets it in.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
  webServer: {
    command: 'node ../scripts/demo.mjs',
    // The server answers before the demo jobs are in it; the first journey needs them.
    wait: { stdout: /hestian: open http/ },
    timeout: 240_000,
    reuseExistingServer: false,
    stdout: 'pipe',
    gracefulShutdown: { signal: 'SIGTERM', timeout: 6000 },
    env: { PORT: String(port), HESTIAN_DATA: process.env.E2E_DATA ?? '', GAUGE_SPEED: '20' },
  },
})
