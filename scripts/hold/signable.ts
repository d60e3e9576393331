import type { JobState, RecordBody } from '@hestian/core'
import { atOf, handTests, madeOnNow, practices } from '@hestian/core'

type Post = (path: string, body?: object) => Promise<{ readonly status: number }>

/** Does what is left on the demo's kiosk until it can be signed; what was not taken throws. */
export async function makeSignable(job: JobState, post: Post): Promise<void> {
  const take = async (path: string, body: object = {}) => {
    const { status } = await post(path, body)
    if (status !== 201) throw new Error(`${path} was answered ${status}`)
  }
  const record = (body: RecordBody) => take('/records', { at: '2026-11-20T10:00:00Z', body })
  await record(tapsRead(job))
  await take('/steps/gas-heater.heater.tap-temp/sign')
  for (const [step, guards] of [
    ['gas-heater.heater.explain', ['dial', 'told']],
    ['second-look.dry', ['hours', 'discharges', 'joints']],
  ] as const) {
    for (const guardId of guards) await take(`/steps/${step}/guards`, { guardId })
    await take(`/steps/${step}/sign`)
  }
  await take('/items/back-on/tick', { answer: 'done' })
  for (const item of ['alarm', 'photographed', 'shown'])
    await record({ kind: 'leaving', item, answer: 'done', says: 'seen' })
  for (const sheet of ['steps', 'list']) await take('/checks', { sheet })
}

function tapsRead({ document }: JobState): RecordBody {
  const kind = handTests.find(({ id }) => id === 'tap-temperature')
  if (!kind) throw new Error('no such test')
  const on = madeOnNow(kind, atOf(document, practices[document.practice], undefined))
  return {
    kind: 'measured',
    reading: kind.id,
    target: '',
    typed: {},
    instrument: 'probe',
    values: { washing_K: 318.15, far_K: 321.15, far_s: 8 },
    confirmed: kind.confirms.map(({ id }) => id),
    ...(on === undefined ? {} : { on }),
  }
}
