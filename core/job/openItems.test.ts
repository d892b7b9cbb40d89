import { describe, expect, test } from 'vitest'
import { INCH, METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { demoVehicles } from '../vehicle/demoVehicles'
import { demoJobs } from './demoJobs'
import { differences } from './differences'
import { evaluate } from './evaluate'
import { newJob } from './job'
import { openItems } from './openItems'

const mm = (v: number) => `${Math.round(v)} mm`
const needed = (job: (typeof demoJobs)[0]) => openItems(job, evaluate(job, defaultRules), mm).filter((i) => i.weight === 'needed')

describe('what is open', () => {
  test('a new job asks who, what, how fast and how high, and nothing at Measure that the shelf knows', () => {
    const items = needed(newJob('New', demoVehicles[0], METRIC))
    expect(items.filter((i) => i.station === 'brief').map((i) => i.text)).toEqual([
      'Who is the client?',
      'Agree a load class, so that later wishes can be held against it',
      'Driving speed, for the wind',
      'The lowest height they must pass under',
      'What will be carried?',
    ])
    expect(items.filter((i) => i.station === 'measure')).toEqual([])
  })
  test('an awning or tent that is carried says that it is not assessed open; a case says nothing of the kind', () => {
    const of = (opens: boolean) => {
      const job = { ...demoJobs[0], brief: { ...demoJobs[0].brief, cargo: demoJobs[0].brief.cargo.map((c) => ({ ...c, opens })) } }
      return openItems(job, evaluate(job, defaultRules), mm).filter((i) => i.text.includes('open in wind'))
    }
    expect(of(true).map((i) => [i.station, i.weight])).toEqual(demoJobs[0].brief.cargo.map(() => ['loads', 'worth a look']))
    expect(of(false)).toEqual([])
    expect(demoJobs[0].brief.cargo.filter((c) => c.opens).map((c) => c.name)).toEqual(['Side awning'])
  })
  test('the oyster grower waits for two foot ratings, and so do his loads', () => {
    const items = needed(demoJobs[1])
    expect(items.filter((i) => i.station === 'measure').map((i) => i.text)).toEqual([
      'Rating per foot, down is unknown',
      'Rating per foot, up is unknown',
    ])
    expect(items.filter((i) => i.station === 'loads').map((i) => i.text)).toContain('Foot, pressed down is not assessed')
  })
  test('an item of unknown mass is asked for by name; an estimate is worth a look', () => {
    const [survey] = demoJobs
    const blank = { ...survey, brief: { ...survey.brief, cargo: survey.brief.cargo.map((c, i) => (i ? c : { ...c, massKg: null })) } }
    expect(needed(blank).map((i) => i.text)).toContain('Mass of Sampling poles 3.4 m, six')
    expect(openItems(survey, null, mm).find((i) => i.text.includes('estimated'))?.weight).toBe('worth a look')
  })
  test('a vehicle with nowhere to stand a foot is asked for a mount line', () => {
    const job = newJob('New', { ...demoVehicles[0], mounts: [] }, METRIC)
    expect(needed(job).map((i) => i.text)).toContain('Where may a foot stand? Add a mount line')
  })
  test('what stands in one another inside, and a cable that nobody knows the power of, are open at Fit', () => {
    const [, , , pair, basket] = demoJobs
    const pushed = { ...pair!.inside, things: pair!.inside.things.map((t) => ({ ...t, place: { xMm: 0, yMm: 400, deg: 0 as const } })) }
    expect(needed({ ...pair!, inside: pushed }).some((i) => i.station === 'fit' && /^Inside: .* mm into /.test(i.text))).toBe(true)
    const weak = { ...basket!, wiring: basket!.wiring.map((r) => ({ ...r, powerW: null })) }
    const open = (job: (typeof demoJobs)[0]) => needed(job).filter((i) => i.text.startsWith('Cable'))
    expect([open(basket!), open(weak).map((i) => i.text)]).toEqual([[], ['Cable “Four lamps”: power of Four lamps']])
  })
  test('the drone pair’s job has nothing open', () => expect(needed(demoJobs[3])).toEqual([]))
})

describe('two versions side by side', () => {
  test('only what differs is listed, in the names of its people and their units', () => {
    const [a] = demoJobs
    const rack = a.pieces[0]!
    const b = {
      ...a,
      title: 'Other',
      brief: { ...a.brief, speedKmh: null, cargo: a.brief.cargo.slice(0, 2) },
      pieces: [{ ...rack, name: 'Pole rack', params: { ...rack.params, barXMm: [-250, 900, 2000] } }],
    }
    const found = differences(a, b, a.units)
    expect(found.slice(0, 2)).toEqual([
      { where: 'Title', mine: a.title, theirs: 'Other' },
      { where: 'Brief speed', mine: '100 km/h', theirs: 'unknown' },
    ])
    expect(found).toContainEqual({ where: a.brief.cargo[2]!.name, mine: a.brief.cargo[2]!.name, theirs: 'not there' })
    expect(found).toContainEqual(expect.objectContaining({ where: expect.stringMatching(/rack: bar x 2$/i), theirs: '900 mm' }))
    expect(differences(a, b, INCH)).toContainEqual(expect.objectContaining({ where: 'Brief speed', mine: '62 mph' }))
    expect(differences(a, structuredClone(a), a.units)).toEqual([])
  })
})
