import { demoJobs } from '/work/main/demo/src/index'
import { mutateDocument, seeded } from '/work/main/scripts/hold/mutateDocument'
import { whatBreaks } from '/work/main/scripts/hold/isTotal'
const n = Number(process.argv[2] ?? 500),
  seed = Number(process.argv[3] ?? 1)
const random = seeded(seed)
const files = Object.values(demoJobs())
const found = new Map<string, number>()
let slow = 0
const t0 = performance.now()
for (let i = 0; i < n; i++) {
  const file = files[i % files.length]!
  const document = mutateDocument(file.document, random)
  const t = performance.now()
  const says = whatBreaks(document, file)
  const took = performance.now() - t
  if (took > slow) {
    slow = took
    if (took > 500) console.log('slow', took)
  }
  if (says) {
    const key = says.replace(/[\d.e-]{3,}/g, '#').slice(0, 420)
    found.set(key, (found.get(key) ?? 0) + 1)
  }
}
console.log('took', performance.now() - t0, 'slowest', slow)
for (const [key, count] of [...found].sort((a, b) => b[1] - a[1]).slice(0, 40))
  console.log(count, key)
