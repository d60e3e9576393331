import { readFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { createInterface } from 'node:readline'

/**
 * Replays a CSV (`at_s,gauge_Pa,temp_K`, a head line first) as a gauge would send it: the least a
 * bridge to a real instrument needs.
 */
const [file = 'stand-ins/bridge/example.csv', port = '4191'] = process.argv.slice(2)
const rows = readFileSync(file, 'utf8')
  .trim()
  .split('\n')
  .slice(1)
  .map((line) => line.split(',').map(Number))
const started_ms = Date.now()
const lineOf = ([at_s = 0, gauge_Pa = 0, temp_K]: readonly number[]) =>
  `S t_ms=${started_ms + Math.round(at_s * 1000)} gauge_Pa=${gauge_Pa}${temp_K ? ` temp_K=${temp_K}` : ''}\n`

createServer((socket) => {
  socket.write('HELLO protocol=1 name=Replayed_file simulated=no resolution_Pa=10\n')
  let sent = 0
  const timer = setInterval(() => {
    const due = rows.filter(([at_s = 0]) => started_ms + at_s * 1000 <= Date.now())
    for (const row of due.slice(sent)) socket.write(lineOf(row))
    sent = due.length
  }, 100)
  createInterface({ input: socket })
    // What the server missed is sent again; nothing else is understood.
    .on('line', (line) => {
      if (line.startsWith('FROM ')) sent = 0
      else socket.write('ERR known words: FROM\n')
    })
    .on('error', () => undefined)
  socket.on('close', () => clearInterval(timer)).on('error', () => undefined)
}).listen(Number(port), '127.0.0.1', () => console.log(`${file} on 127.0.0.1:${port}`))
