export const startWorker = (): Worker =>
  new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
