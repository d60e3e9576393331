import { demoJobs } from '/work/main/demo/src/index'
import { largestDocument } from './largestDocument'
import { whatBreaks } from './isTotal'
import { solve } from '@hestian/core'
for (const [name, file] of Object.entries(demoJobs())) {
  const doc = largestDocument(file.document)
  const t = performance.now()
  solve(doc)
  const t1 = performance.now() - t
  const t2 = performance.now()
  const says = whatBreaks(doc, file)
  console.log(
    name,
    JSON.stringify(doc).length,
    t1.toFixed(0),
    (performance.now() - t2).toFixed(0),
    says,
  )
}
