import { blankDocument } from './document'
import { readDocument, readStoredDocument, upgradeFile } from './edits'

const blank = blankDocument({ name: 'Old house', address: '', practice: 'uk-ireland' })
const known = (value: number) => ({ value, basis: 'read' as const, from: 'Plate' })
const appliance = {
  ...{ id: 'boiler', name: 'Boiler', kind: 'boiler', inputSaid: 'gross', stay: 'new' },
  ...{ input_W: known(24000), output_W: known(5e-324), maxWorkingGauge_Pa: null, water_m3: null },
  ...{ builtInVessel_m3: known(1e-9), builtInChargeGauge_Pa: null, minInletGauge_Pa: null },
  ...{ maxTestGauge_Pa: null, maxInletGauge_Pa: null, aboveFill_m: null, condensing: null },
  ...{ madeYear: null, maker: null, photos: [] },
  papers: { manual: null, installation: null, charts: null },
}

test('a new document with an amount next to nothing is refused with what is accepted', () => {
  const read = readDocument({ ...blank, appliances: [appliance] })
  expect(read).toMatchObject({
    ok: false,
    says: expect.stringMatching(/output_W.*must be 0.*slip of the unit/) as string,
  })
})
test('a stored one comes forward without it, and says what it was', () => {
  const read = readStoredDocument({ ...blank, appliances: [appliance] })
  if (!read.ok) throw new Error(read.says)
  expect(read.document.appliances[0]).toMatchObject({
    input_W: { value: 24000 },
    output_W: null,
    builtInVessel_m3: null,
  })
  expect(read.document.site.notes).toMatch(/appliances\.0\.output_W was 5e-324/)
  expect(read.document.site.notes).toMatch(/builtInVessel_m3 was 1e-9/)
})
test('an exported file comes forward in the same way, its revisions too', () => {
  const whole = { ...blank, appliances: [appliance] }
  const file = upgradeFile({ document: whole, revisions: [{ letter: 'A', document: whole }] })
  expect(file).toMatchObject({
    document: { appliances: [{ output_W: null }] },
    revisions: [{ letter: 'A', document: { appliances: [{ output_W: null }] } }],
  })
})
test('stored rows of one id are told apart, in their order', () => {
  const twice = { ...blank, appliances: [appliance, { ...appliance, name: 'Second' }] }
  const read = readStoredDocument(twice)
  if (!read.ok) throw new Error(read.says)
  expect(read.document.appliances.map(({ id, name }) => [id, name])).toEqual([
    ['boiler', 'Boiler'],
    ['boiler-2', 'Second'],
  ])
})
test('damage is not a value that was once accepted: it is refused', () => {
  expect(readStoredDocument({ ...blank, appliances: 'gone' }).ok).toBe(false)
  expect(readStoredDocument({ ...blank, practice: 'moon' }).ok).toBe(false)
  expect(readStoredDocument({ ...blank, appliances: [{ ...appliance, input_W: 'x' }] }).ok).toBe(
    false,
  )
})
