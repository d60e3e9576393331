import { join, resolve } from 'node:path'
import { makeMailbox } from './mailbox'

const port = Number(process.env.MAIL_PORT ?? 4190)
const folder = resolve(process.env.MAIL_FOLDER ?? join('data', 'mailbox'))
makeMailbox(folder).listen(port, '127.0.0.1', () =>
  console.log(`The simulated mailbox listens on 127.0.0.1:${port} and keeps mail in ${folder}`),
)
