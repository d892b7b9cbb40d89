import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { cutList } from '../../core/cutList/cutList'
import { hardwareOrder } from '../../core/cutList/hardwareOrder'
import { demoJobs } from '../../core/job/demoJobs'
import { evaluate } from '../../core/job/evaluate'
import { newLoadTest } from '../../core/loadTest/loadTest'
import { measuringSheets } from '../../core/measure/sheets'
import { highsTools } from '../../core/nesting/highsTools'
import { type CutPlan, planCuts } from '../../core/nesting/planCuts'
import { withLengths } from '../../core/quantity/figureText'
import { INCH } from '../../core/quantity/units'
import { defaultRules } from '../../core/rules/rules'
import { demoShop, paperSizes } from '../../core/shop/shop'
import { demoStock } from '../../core/stock/demoStock'
import { tickOf } from '../../core/workLog/tick'
import { fittingReady } from '../workshop/fitting'
import { arrangementPdf } from './arrangement'
import { buildSheetPdf } from './buildSheet'
import { type CutSheet, cutSheetPdf } from './cutSheet'
import { handOverPdf } from './handOverSheet'
import { measuringSheetPdf } from './measuringSheet'
import { ownerCardPdf } from './ownerCardSheet'
import { fullSize } from './paper'
import { tubeSheetPdf } from './tubeSheet'
import { weldSheetPdf } from './weldSheet'

const title = {
  job: 'Pole and case rack',
  client: 'Tide-pool survey trust',
  sheet: 'Sheet',
  revision: 4,
  date: '2026-11-24',
  due: '2026-12-11',
  stamp: { word: 'DRAFT', detail: 'not accepted for the saw' },
  shop: demoShop,
}
const pages = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0
const plans = new Map<string, CutPlan>()
beforeAll(async () => {
  const tools = highsTools(await loadHighs(), () => performance.now())
  for (const job of demoJobs)
    plans.set(
      job.title,
      planCuts(cutList(evaluate(job, defaultRules).assembly), demoStock, defaultRules, { useRemnants: true, timeLimitMs: 2000 }, tools),
    )
})

const sheet = (plan: CutPlan, over: Partial<CutSheet> = {}): CutSheet => ({
  plan,
  saw: defaultRules,
  parts: [],
  stops: [],
  holes: new Map(),
  moved: [],
  reason: '',
  limits: [],
  surface: [],
  ...over,
})

describe.each(demoJobs.map((j) => [j.title, j] as const))('%s on paper', (_, job) => {
  test('the arrangement has the drawing, the parts and the limits, in metric and in inch', async () => {
    for (const units of [job.units, INCH]) {
      const pdf = await arrangementPdf({ ...job, units }, evaluate(job, defaultRules), defaultRules, title)
      expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
      expect(pages(pdf)).toBeGreaterThanOrEqual(3)
    }
  })
  test('the cut sheet is one page for a rack of one or two sections and at most one more for a second piece or further ones, and the same job twice gives the same bytes', async () => {
    const made = () => cutSheetPdf(job, sheet(plans.get(job.title)!), title)
    const [first, second] = [await made(), await made()]
    expect(pages(first)).toBeLessThanOrEqual(Math.max(job.pieces.length, Math.ceil(plans.get(job.title)!.profiles.length / 2)))
    expect(first.equals(second)).toBe(true)
  })
})

test.each(paperSizes)('on %s every page is of that size, and there are no more of them than on A4', async (paper) => {
  // inches or ISO millimetres, in points of 1/72 in
  const [width, height] = { A4: [297, 210], A3: [420, 297], Letter: [279.4, 215.9], Tabloid: [431.8, 279.4] }[paper].map(
    (mm) => (mm / 25.4) * 72,
  )
  const pdf = await arrangementPdf(demoJobs[0], evaluate(demoJobs[0], defaultRules), defaultRules, {
    ...title,
    shop: { ...demoShop, paper },
  })
  const boxes = [...pdf.toString('latin1').matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map((m) => [Number(m[1]), Number(m[2])])
  for (const [w, h] of boxes) {
    expect(Math.abs(w! - width!)).toBeLessThan(0.1)
    expect(Math.abs(h! - height!)).toBeLessThan(0.1)
  }
  const plain = await arrangementPdf(demoJobs[0], evaluate(demoJobs[0], defaultRules), defaultRules, title)
  expect(boxes.length).toBe(pages(pdf))
  expect(pages(pdf)).toBeLessThanOrEqual(pages(plain))
})

test('a plan with pieces that found no stock is printed too, and says so on paper', async () => {
  const [job] = demoJobs
  const plan = plans.get(job.title)!
  const short: CutPlan = {
    ...plan,
    complete: false,
    profiles: plan.profiles.map((p) => ({ ...p, unplaced: [{ marks: ['B9'], lengthMm: 9000, reason: 'longer than the longest stock' }] })),
  }
  expect((await cutSheetPdf(job, sheet(short), title)).length).toBeGreaterThan((await cutSheetPdf(job, sheet(plan), title)).length)
})

test('a sheet whose design has moved, and a reason to cut all the same, stand on paper in words', async () => {
  const [job] = demoJobs
  const plan = plans.get(job.title)!
  const size = async (over: Partial<CutSheet>) => (await cutSheetPdf(job, sheet(plan, over), title)).length
  const plain = await size({})
  expect(await size({ moved: [{ mark: 'B1', wasMm: 1690, nowMm: 1700, what: 'longer' }] })).toBeGreaterThan(plain)
  expect(await size({ reason: 'the client signed for it' })).toBeGreaterThan(plain)
  expect(await size({ surface: [{ marks: ['B1'], says: 'galvanised: bare the zinc {25} beside each weld' }] })).toBeGreaterThan(plain)
})

test('a load test that was measured is on the arrangement, one only planned is not', async () => {
  const [job] = demoJobs
  const test = newLoadTest({ id: 't', barMark: 'B1', atMm: 800, loadKg: 60, computedSagMm: 4, at: '2026-11-20T10:00' })
  const size = async (tests: (typeof job)['loadTests']) => {
    const with_ = { ...job, loadTests: tests }
    return (await arrangementPdf(with_, evaluate(with_, defaultRules), defaultRules, title)).length
  }
  expect(await size([test])).toBe(await size([]))
  expect(await size([{ ...test, measuredSagMm: 4.2, setMm: 0 }])).toBeGreaterThan(await size([]))
})

test('forty bars run on over further pages', async () => {
  const [job] = demoJobs
  const plan = plans.get(job.title)!
  const long: CutPlan = { ...plan, profiles: plan.profiles.map((p) => ({ ...p, bars: Array.from({ length: 40 }, () => p.bars[0]) })) }
  expect(pages(await cutSheetPdf(job, sheet(long), title))).toBeGreaterThan(2)
})

test('one page a measuring sheet, blank or filled', async () => {
  const [, pickup] = demoJobs
  for (const blank of [true, false])
    expect(pages(await measuringSheetPdf(pickup, measuringSheets, blank, title))).toBe(measuringSheets.length)
})

const untried = { order: [], trapped: [], bolts: [], welds: [], captives: [] }

describe('bends, templates and welds on paper', () => {
  const basket = demoJobs.find((j) => j.title.startsWith('Hoop'))!
  const drawn = evaluate(basket, defaultRules)
  const { workshop } = demoShop
  test('a page for each bent part, one list of saddles, and templates on further ones, in millimetres and inches', async () => {
    for (const units of [basket.units, INCH]) {
      const pdf = await tubeSheetPdf({ ...basket, units }, drawn, defaultRules, workshop, title)
      // two hoops and a lamp shell, the list, and two pages of templates or more
      expect(pages(pdf)).toBeGreaterThanOrEqual(6)
      expect(pages(pdf)).toBeLessThanOrEqual(8)
    }
  })
  test('a template is as long as the tube is round, on A4 as on A3: strokes of π·32 mm in points', async () => {
    for (const paper of ['A4', 'A3'] as const) {
      const pdf = await tubeSheetPdf(basket, drawn, defaultRules, workshop, { ...title, shop: { ...demoShop, paper } })
      expect(pages(pdf)).toBeGreaterThan(4)
    }
    const onPaper = (size: (typeof paperSizes)[number]) => fullSize(size) * Math.min(...scales[size])
    const scales = {
      A4: [1],
      A3: [1190.55 / 841.89, 841.89 / 595.28],
      Letter: [792 / 841.89, 612 / 595.28],
      Tabloid: [1224 / 841.89, 792 / 595.28],
    }
    for (const size of paperSizes) expect(onPaper(size)).toBeCloseTo(72 / 25.4, 6)
  })
  test('the weld map has the drawing and every weld; a job of no weld, and one of no bend, say so on one page', async () => {
    expect(pages(await weldSheetPdf(basket, { ...drawn, reach: untried }, defaultRules, workshop, title))).toBeGreaterThanOrEqual(2)
    const [survey] = demoJobs
    const plain = evaluate({ ...survey, pieces: survey.pieces.slice(0, 1) }, defaultRules)
    expect(pages(await tubeSheetPdf(survey, plain, defaultRules, workshop, title))).toBe(1)
    expect(
      pages(
        await weldSheetPdf(
          survey,
          { ...plain, reach: untried, assembly: { ...plain.assembly, joints: [] } },
          defaultRules,
          workshop,
          title,
        ),
      ),
    ).toBe(1)
  })
})

test('the order of work is a sheet to each stage for each demo job, and one line for a job of nothing', async () => {
  for (const job of demoJobs)
    expect(
      pages(
        await buildSheetPdf(
          job,
          defaultRules,
          demoShop,
          (await fittingReady())(job, evaluate(job, defaultRules), defaultRules).apart,
          title,
        ),
      ),
    ).toBeLessThanOrEqual(7)
  expect(pages(await buildSheetPdf({ ...demoJobs[0]!, pieces: [] }, defaultRules, demoShop, untried, title))).toBe(1)
})

describe('all that goes with the vehicle', () => {
  const [survey] = demoJobs
  const built = {
    ...survey,
    built: {
      'gate:fit': tickOf('2026-11-20', 'x', { what: 'Trial fit', by: 'Maren' }),
      drill: tickOf('2026-11-21', 'y', { what: 'Drill', by: 'Tjark', otherwise: 'hole 3 mm further out' }),
    },
  }
  test('the card comes first, then what is open, signed and otherwise; in inches as well, and of a job of which all is known', async () => {
    const card = pages(await ownerCardPdf(built, evaluate(built, defaultRules), defaultRules, title))
    for (const job of [built, { ...built, units: INCH }, demoJobs[3]]) {
      const pdf = await handOverPdf(job, evaluate(job, defaultRules), defaultRules, title)
      expect(pages(pdf)).toBeGreaterThan(job === demoJobs[3] ? 1 : card)
    }
  })
})
test('lengths stand in the units of the job wherever hardware is told of: no brace, and no millimetre on a sheet in inches', async () => {
  const guard = demoJobs.find((j) => j.title.startsWith('Half guard'))!
  const lines = hardwareOrder(evaluate(guard, defaultRules).assembly, defaultRules)
  // what the sheets say is what this says: the sheets' own letters cannot be read back from their fonts
  const said = lines.flatMap((l) => [withLengths(l.name, INCH), withLengths(l.for, INCH)])
  expect(said.join(' ')).toContain('for sheet up to 0.059 in')
  for (const words of said) expect(words).not.toMatch(/[{}]|\bmm\b/)
})
