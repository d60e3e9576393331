import { chromium } from '@playwright/test'
import { readFileSync } from 'node:fs'
const [out, ...ins] = process.argv.slice(2)
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const p = await b.newPage({ viewport: { width: 400*ins.length, height: 850 } })
await p.setContent(`<body style="margin:0;display:flex;gap:8px;background:#888">${ins.map(i=>`<img height=844 src="data:image/png;base64,${readFileSync(`/tmp/shots/${i}.png`).toString('base64')}">`).join('')}</body>`)
await p.screenshot({ path: `/tmp/shots/${out}.png` }); await b.close()
