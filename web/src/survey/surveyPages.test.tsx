/** @jest-environment jsdom */
import type { ApplianceKind, JobDocument, PracticeName, RecordBody } from '@hestian/core'
import {
  applianceKinds,
  applianceWords,
  burnsGas,
  plateFields,
  practiceNames,
  siteFields,
  waterFields,
} from '@hestian/core'
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, choose, enter, fill, press, write } from '../ui/hands.testing'
import { InspectionPage } from './InspectionPage'
import { MainRun } from './MainRun'
import { PlatesPage } from './PlatesPage'
import { ReadingsPage } from './ReadingsPage'
import { SitePage } from './SitePage'

let after: JobDocument
let recorded: RecordBody[]
let isSomebodyThere: boolean
beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

function open(job: JobDocument, what: React.ReactNode) {
  after = job
  recorded = []
  isSomebodyThere = true
  render(
    <JobStand
      job={job}
      onEdit={(_, next) => (after = next)}
      onRecord={(body) => {
        recorded.push(body)
        return isSomebodyThere
      }}
    >
      {what}
    </JobStand>,
  )
}
const head = () => document.querySelector('h2')?.textContent?.replace(/\s/g, ' ') ?? ''
const labels = (start: string) =>
  [...document.querySelectorAll(`[id^="row-${start}"] > span:first-child`)].map(
    ({ textContent }) => textContent,
  )
const withSurvey = (change: Partial<JobDocument['survey']>, job = house()): JobDocument => ({
  ...job,
  survey: { ...job.survey, ...change },
})

describe('the site', () => {
  const site = (job: JobDocument) => open(job, <SitePage />)

  test('how high it stands is asked before anything is said of the air there', () => {
    site(withSurvey({ elevation_m: null }))
    expect(head()).toBe('How high does Test house stand, and who is it for?')
    enter('Site elevation', '1000 ft', 'Read')
    expect(after.survey.elevation_m).toMatchObject({ basis: 'read' })
    expect(after.survey.elevation_m?.value).toBeCloseTo(304.8, 6)
    expect(head()).toMatch(/^Test house stands at 305 m, under 0\.98 bar of air\.$/)
  })

  test('a height of something that is not there is not asked', () => {
    const both = siteFields.map(({ label }) => label)
    const { hotWater } = demoJob('kestrel-weir')
    site({ ...house(), hotWater })
    expect(labels('survey.')).toEqual(expect.arrayContaining([...both]))
    cleanup()
    site(house())
    expect(labels('survey.')).not.toContain('Highest outlet above the main')
    expect(labels('survey.')).toContain('Highest emitter above fill')
    cleanup()
    site({ ...house(), heating: null, hotWater: null })
    expect(labels('survey.')).not.toContain('Highest emitter above fill')
    expect(screen.getByText(/No heating circuit and no hot water/)).toBeTruthy()
  })

  test('name and address are kept without what stands round them; a job needs a name', () => {
    site(house())
    write('Name of the job', '  New house ')
    write('Address', '2 Lane')
    expect(after.site).toMatchObject({ name: 'New house', address: '2 Lane' })
    write('Name of the job', '   ')
    expect(screen.getByText('This needs a name; the last one is kept.')).toBeTruthy()
    expect(after.site.name).toBe('New house')
  })

  test('what the building is decides, and only one practice asks for an older consent', () => {
    const asks = (practice: PracticeName) => {
      cleanup()
      site(house(practice))
      return screen.queryByRole('button', { name: /consent/i }) !== null
    }
    expect(practiceNames.filter(asks)).toEqual(['australia-new-zealand'])
    choose(/consent/i, 'Yes')
    expect(after.site.olderConsent).toBe('yes')
    choose(/The building is/, 'Care, health or sheltered housing')
    expect(after.site.building).toBe('care')
  })

  test('the clock of the site is chosen from those of its practice', () => {
    site(house())
    choose(/Clock of the site/, 'Dublin')
    expect(after.site.timeZone).toBe('Europe/Dublin')
  })

  test('the day of the visit is today by one press, while it is not said', () => {
    site(withSurvey({ visitedOn: null }))
    press('Today')
    expect(after.survey.visitedOn).toMatch(/^\d{4}-\d\d-\d\d$/)
    expect(screen.queryByRole('button', { name: 'Today' })).toBeNull()
  })

  test('what is connected was seen by somebody: without a person nothing is written', () => {
    site(house())
    isSomebodyThere = false
    const live = (utility: string) =>
      fireEvent.click(
        within(screen.getByRole('group', { name: `${utility} connected` })).getByText('Live'),
      )
    live('Water')
    expect(after.survey.supplies.water).toBe(house().survey.supplies.water)
    isSomebodyThere = true
    live('Gas')
    expect(after.survey.supplies.gas).toEqual({ state: 'live' })
    expect(recorded.at(-1)).toMatchObject({ kind: 'looked', field: 'survey.supplies.gas' })
  })
})

describe('rating plates', () => {
  const plates = (job: JobDocument) => open(job, <PlatesPage />)
  const empty = (): JobDocument => ({ ...house(), appliances: [], hotWater: null, heating: null })

  test.each(applianceKinds)(
    '%s: what its plate says is asked, no more, and nothing is known',
    (kind) => {
      plates(empty())
      expect(head()).toBe('What stands here, or will?')
      choose(/Add an appliance/, applianceWords[kind])
      const fields = plateFields.filter(({ kinds }) => kinds.includes(kind))
      const asked = labels('appliances.0.').filter(
        (label) => !label?.startsWith('Made to condense'),
      )
      expect(asked.map((label) => label?.replace(/ \((gross|net)\)$/, ''))).toEqual(
        fields.map(({ label }) => label),
      )
      const [made] = after.appliances
      expect(made).toMatchObject({ kind, name: applianceWords[kind], stay: 'new', maker: null })
      for (const { key } of fields) expect(made?.[key]).toBeNull()
      expect(head()).toMatch(
        burnsGas(kind) ? /^1 appliance, 1 burns gas\.$/ : /^1 appliance, 0 burn gas\.$/,
      )
      expect(screen.queryByText('Made to condense') !== null).toBe(kind === 'boiler')
      expect(screen.queryByText(/The plate’s input is/) !== null).toBe(burnsGas(kind))
    },
  )

  test('what makes hot water brings hot water to the job, and nothing else does', () => {
    const brings = (kind: ApplianceKind) => {
      cleanup()
      plates(empty())
      choose(/Add an appliance/, applianceWords[kind])
      return after.hotWater !== null
    }
    expect(applianceKinds.filter(brings)).toEqual([
      ...['instantaneous-heater', 'storage-heater', 'electric-storage-heater'],
      ...['heat-pump-heater', 'indirect-cylinder'],
    ])
  })

  test('an input said net is counted gross, and the label says which', () => {
    plates(house())
    expect(head()).toMatch(/1 burns gas: 30\.0 kW gross together\.$/)
    choose(/Input of Boiler is gross or net/, 'net')
    expect(after.appliances[0]?.inputSaid).toBe('net')
    expect(head()).toMatch(/: 33\.\d kW gross together\.$/)
    expect(screen.getByText(/Gas is counted gross: times 1\.1/)).toBeTruthy()
    expect(labels('appliances.0.')).toContain('Heat input (net)')
  })

  test('one that is taken out leaves its pipe, which then ends at nothing', () => {
    plates(house())
    expect(after.gas.segments.some(({ applianceId }) => applianceId === 'boiler')).toBe(true)
    press('Remove Boiler')
    expect(after.appliances).toEqual([])
    expect(after.gas.segments).toHaveLength(house().gas.segments.length)
    expect(after.gas.segments.every(({ applianceId }) => applianceId === null)).toBe(true)
  })

  test('a plate is read, taken out again, and condensing is said', () => {
    plates(house())
    press(/^Heat input/)
    fill('Heat input (gross)', '24 kW', 'Read')
    expect(after.appliances[0]?.input_W).toMatchObject({ value: 24_000, basis: 'read' })
    press(/^Heat input/)
    fireEvent.click(screen.getByRole('button', { name: 'Take it out' }))
    expect(after.appliances[0]?.input_W).toBeNull()
    choose(/Made to condense/, 'No')
    expect(after.appliances[0]?.condensing).toBe('no')
  })

  test('a year is four figures or nothing', () => {
    plates(house())
    write('Year made', '87')
    expect(screen.getByText(/A year of four figures/)).toBeTruthy()
    expect(after.appliances[0]?.madeYear).toBeNull()
    write('Year made', '1987')
    expect(after.appliances[0]?.madeYear).toBe(1987)
    choose(/Boiler is$/, 'There, stays')
    expect(after.appliances[0]?.stay).toBe('stays')
  })

  test('heating and hot water are put on the job and taken off it', () => {
    plates(empty())
    const toggle = (name: string) => fireEvent.click(screen.getByRole('switch', { name }))
    toggle('This job has a heating circuit')
    expect(after.heating).not.toBeNull()
    expect(screen.getByText('It has no boiler yet: add one above.')).toBeTruthy()
    toggle('This job makes hot water')
    expect(after.hotWater).not.toBeNull()
    toggle('This job makes hot water')
    expect(after.hotWater).toBeNull()
  })
})

describe('readings', () => {
  const readings = (job: JobDocument) => open(job, <ReadingsPage />)

  test('its head says what main and gas give, as far as they are read', () => {
    readings(withSurvey({ coldMainStaticGauge_Pa: null, gasWorkingGauge_Pa: null }))
    expect(head()).toBe('What does the place give? Read it, with the gauge that is in your hand.')
    expect(screen.getByText(/Not read yet: the design starts from \d+\.\d+\smbar, in/)).toBeTruthy()
    enter('Cold main, static', '3 bar', 'Measured')
    expect(head()).toMatch(/^Water stands at 3\.00 bar.*; gas is not read yet\.$/)
    cleanup()
    readings(house())
    expect(head()).toMatch(/^Water stands at 3\.50 bar.*; gas works at 20\.50 mbar\.$/)
  })

  test('from static to working gas falls by little, or it is looked at again', () => {
    readings(house())
    expect(screen.getByText('Pass')).toBeTruthy()
    cleanup()
    const { gasWorkingGauge_Pa } = house().survey
    readings(
      withSurvey({
        gasWorkingGauge_Pa: gasWorkingGauge_Pa && { ...gasWorkingGauge_Pa, value: 1500 },
      }),
    )
    expect(screen.queryByText('Pass')).toBeNull()
    expect(screen.getAllByText(/Look again|Stop/).length).toBeGreaterThan(0)
  })

  test('temperatures of a heating are asked where there is one', () => {
    const heating = ['Water when filled', 'Maximum flow temperature', 'High limit acts at']
    readings(house())
    expect(labels('survey.')).toEqual(expect.arrayContaining(heating))
    cleanup()
    readings({ ...house(), heating: null })
    expect(labels('survey.').filter((label) => heating.includes(label ?? ''))).toEqual([])
    expect(labels('survey.')).toContain(waterFields[0].label)
  })

  test('the vessel goes by less than the higher temperature only with a reason', () => {
    readings(house())
    choose(/The vessel is sized on/, 'The flow temperature, because …')
    expect(after.survey.sizeOn).toEqual({ on: 'higher' })
    write('Why not on the limit', 'no')
    expect(after.survey.sizeOn).toEqual({ on: 'higher' })
    write('Why not on the limit', 'limit cut out of the circuit')
    expect(after.survey.sizeOn).toEqual({ on: 'flow', because: 'limit cut out of the circuit' })
    choose(/The vessel is sized on/, 'The higher of flow and limit')
    expect(after.survey.sizeOn).toEqual({ on: 'higher' })
    expect(screen.queryByLabelText('Why not on the limit')).toBeNull()
  })

  test('fuel and the load that was on are said; a job without gas is not asked for either', () => {
    readings(house())
    choose(/^Natural gas Fuel/, 'Propane')
    choose(/Working pressure was read with/, 'Part of the load')
    expect(after.survey).toMatchObject({ fuel: 'propane', gasLoad: 'part' })
    cleanup()
    const job = withSurvey({ gasWorkingGauge_Pa: null })
    readings({
      ...job,
      appliances: job.appliances.map((one) => ({ ...one, kind: 'heat-pump-heater' })),
    })
    expect(screen.queryByRole('button', { name: /Fuel/ })).toBeNull()
    expect(head()).toMatch(/no gas here/)
  })
})

describe('the main, running', () => {
  const main = (job: JobDocument = withSurvey({ mainPoints: [] })) => open(job, <MainRun />)

  test('two points with a bucket and a cup make a curve; each reading is a record of its own', () => {
    main()
    expect(screen.getByText(/Two points at different flows make a curve/)).toBeTruthy()
    press('Add a running point')
    press('Add a running point')
    expect(after.survey.mainPoints.map(({ name }) => name)).toEqual(['Kitchen tap', 'Outside tap'])
    press(/^Pressure running at Kitchen tap/)
    fill('Pressure running at Kitchen tap', '2.8 bar', 'Measured')
    press(/^Container at Kitchen tap/)
    fill('Container at Kitchen tap', '10 L', 'Measured')
    press(/^Filled in at Kitchen tap/)
    fill('Filled in at Kitchen tap', '50 s', 'Measured')
    expect(screen.getByText(/^= 12\.0 L\/min$/)).toBeTruthy()
    choose(/How the flow at Outside tap was measured/, 'Flow cup')
    press(/^Flow at Outside tap/)
    fill('Flow at Outside tap', '20 L/min', 'Measured')
    press(/^Pressure running at Outside tap/)
    fill('Pressure running at Outside tap', '2.1 bar', 'Measured')
    const [kitchen, outside] = after.survey.mainPoints
    expect(kitchen).toMatchObject({ by: 'container', gauge_Pa: { value: 2.8e5 } })
    expect(outside).toMatchObject({ by: 'flow-cup', gauge_Pa: { value: 2.1e5 } })
    expect(outside?.flow_m3_s?.value).toBeCloseTo(20 / 60_000, 12)
    expect(recorded).toHaveLength(5)
    expect(recorded[0]).toMatchObject({
      ...{ kind: 'reading', field: `survey.mainPoints.${kitchen?.id}.gauge_Pa`, si: 2.8e5 },
    })
    expect(kitchen?.gauge_Pa?.recordId).toBe('made-0000')
    expect(button('Save the drawing')).toBeTruthy()
  })

  test('what is assumed is no reading', () => {
    main()
    press('Add a running point')
    press(/^Pressure running at Kitchen tap/)
    fill('Pressure running at Kitchen tap', '2.8 bar', 'Assumed')
    expect(after.survey.mainPoints[0]?.gauge_Pa).toMatchObject({ basis: 'assumed' })
    expect(recorded).toEqual([])
  })

  test('a point is renamed and taken out; six are enough', () => {
    main()
    for (let i = 0; i < 6; i++) press('Add a running point')
    expect(screen.queryByRole('button', { name: 'Add a running point' })).toBeNull()
    write('Name of running point 2', ' Garden ')
    press('Remove Kitchen tap')
    expect(after.survey.mainPoints).toHaveLength(5)
    expect(after.survey.mainPoints[0]?.name).toBe('Garden')
    expect(button('Add a running point')).toBeTruthy()
  })
})

describe('the inspection', () => {
  const inspection = (job: JobDocument) => open(job, <InspectionPage />)
  const inspectNext = () => {
    const [next] = screen.getAllByRole('button', { name: 'Inspect' })
    if (next) fireEvent.click(next)
  }

  test('nothing is inspected until somebody says that something stands here', () => {
    inspection(withSurvey({ inspecting: false }))
    expect(head()).toBe('Nothing here is inspected.')
    fireEvent.click(screen.getByRole('switch'))
    expect(after.survey.inspecting).toBe(true)
    expect(head()).toMatch(/^0 of \d+ inspected\.$/)
  })

  test('an item is sound, unsafe, or not inspected with its reason; a snag is somebody’s', () => {
    inspection(withSurvey({ inspecting: true }))
    inspectNext()
    const record = () => press('Record it')
    const verdict = (name: string) => fireEvent.click(screen.getByRole('radio', { name }))
    verdict('Not inspected')
    record()
    expect(screen.getByRole('alert').textContent).toMatch(/Say why it was not inspected/)
    write('Not inspected, because', 'the water was off')
    write('Make it a snag', 'come again with water')
    record()
    expect(screen.getByRole('alert').textContent).toMatch(/somebody who does it/)
    write('Who', 'Office')
    record()
    expect(recorded.map(({ kind }) => kind)).toEqual(['inspected', 'snag'])
    expect(recorded[0]).toMatchObject({
      ...{ verdict: 'not-inspected', because: 'the water was off' },
    })
    expect(recorded[1]).toMatchObject({ what: 'come again with water', owner: 'Office' })
    expect(head()).toMatch(/^1 of \d+ inspected\.$/)
    expect(screen.getByText(/1 not inspected, each with its reason/)).toBeTruthy()
    inspectNext()
    verdict('Unsafe')
    record()
    expect(head()).toMatch(/^1 unsafe, 2 of \d+ inspected\.$/)
    expect(screen.getByText('Stop')).toBeTruthy()
  })

  test('without somebody at work nothing is written, and what was typed stays', () => {
    inspection(withSurvey({ inspecting: true }))
    isSomebodyThere = false
    inspectNext()
    fireEvent.click(screen.getByRole('radio', { name: 'Look again' }))
    write('Seen', 'corroded')
    press('Record it')
    expect(screen.getByLabelText<HTMLInputElement>('Seen').value).toBe('corroded')
    expect(head()).toMatch(/^0 of /)
  })
})
