import { chromium } from '@playwright/test'
import { readFileSync } from 'node:fs'
const axe = readFileSync('node_modules/axe-core/axe.min.js','utf8')
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const places = ['/', '/kit', ...['S1','S2','S3','D1','D2','P1','C1','H1'].map(s=>`/jobs/juniper-ridge/${s}`), '/jobs/kestrel-weir/D1','/jobs/kestrel-weir/D2','/jobs/kestrel-weir/C1','/jobs/saltbush-ferry/P1']
const seen = new Set()
for (const theme of ['paper','cellar']) for (const [w,h] of [[1280,800],[390,844]]) {
  const c = await b.newContext({ viewport:{width:w,height:h} }); const p = await c.newPage()
  p.on('pageerror', e=>console.log('ERR',e.message))
  await p.addInitScript(t=>{localStorage.setItem('theme',t);localStorage.setItem('who','maren-oduya')},theme)
  for (const place of places) {
    await p.goto('http://127.0.0.1:4300'+place); await p.waitForTimeout(500); await p.evaluate(axe)
    const v = await p.evaluate(async()=>(await axe.run({resultTypes:['violations']})).violations.flatMap(o=>o.nodes.slice(0,3).map(n=>o.id+' :: '+n.html.slice(0,150)+' :: '+n.failureSummary.replace(/\s+/g,' ').slice(0,170))))
    for (const x of v) { const k=x.replace(/sc-\w+|\d+/g,''); if(!seen.has(k)){seen.add(k);console.log(theme,w,place,x)} }
    const over = await p.evaluate(()=>document.documentElement.scrollWidth-innerWidth); if(over>0) console.log('OVER',theme,w,place,over)
  }
  await c.close()
}
await b.close()
