import { chromium } from '@playwright/test'
const base = process.env.BASE ?? 'http://127.0.0.1:4300'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-background-networking'] })
for (const spec of process.argv.slice(2)) {
  const [name, path, size='1280x800', theme='paper', full] = spec.split('|')
  const [w,h]=size.split('x').map(Number)
  const c = await b.newContext({ viewport:{width:w,height:h}, hasTouch: w<500 })
  const p = await c.newPage()
  p.on('pageerror', e=>console.log(name,'ERR',e.message.slice(0,300)))
  p.on('console', m=>{ if(m.type()==='error') console.log(name,'console',m.text().slice(0,300)) })
  await p.addInitScript(t=>{localStorage.setItem('theme',t);localStorage.setItem('who','maren-oduya')},theme)
  await p.goto(base+path); await p.waitForTimeout(1500)
  if (full) await p.evaluate(y=>document.querySelector('main')?.scrollTo(0,Number(y)), full), await p.waitForTimeout(200)
  await p.screenshot({path:`/tmp/shots/${name}.png`})
  await c.close()
}
await b.close()
