import { createHash } from 'node:crypto'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { SMTPServer } from 'smtp-server'

/** Of an address at these: the first is refused, the second gets no answer. */
export const refuses = 'refused.example'
export const isSilent = 'silent.example'

/**
 * A mail server that sends nothing on: each mail becomes a file, named after its Message-ID, so
 * that one sent again is the same file.
 */
export function makeMailbox(folder: string): SMTPServer {
  mkdirSync(folder, { recursive: true })
  return new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    onRcptTo: ({ address }, _session, done) => {
      if (address.endsWith(`@${isSilent}`)) return
      if (address.endsWith(`@${refuses}`))
        return done(Object.assign(new Error('no such mailbox here'), { responseCode: 550 }))
      done()
    },
    onData: (stream, _session, done) => {
      const parts: Buffer[] = []
      stream.on('data', (part: Buffer) => parts.push(part))
      stream.on('end', () => {
        const mail = Buffer.concat(parts)
        const id = /^message-id:\s*<([^>]+)>/im.exec(mail.toString('latin1'))?.[1]
        const name = (id ?? createHash('sha256').update(mail).digest('hex')).split('@')[0]
        writeFileSync(join(folder, `${name}.eml`), mail)
        done()
      })
    },
  })
}
