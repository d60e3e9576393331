import { makeOffice } from './office'

const port = Number(process.env.OFFICE_PORT ?? 4189)
makeOffice().listen(port, '127.0.0.1', () =>
  console.log(`The simulated registration office listens on http://127.0.0.1:${port}`),
)
