import { describe, expect, test } from 'vitest'
import { clientMarks } from '../drawing/clientMarks'
import { cannotTake, standingOf, unsettled } from '../job/clientStanding'
import { demoJobs } from '../job/demoJobs'
import { designMark } from '../job/designMark'
import { type Job, JobSchema } from '../job/job'
import { openItems } from '../job/openItems'
import { withParams } from '../job/piecesOf'
import { tickOf } from '../workLog/tick'
import { type ClientAnswer, keptAnswer, MOST_ANSWERS, MOST_MARKS, readClientAnswer } from './clientAnswer'

const job = demoJobs[4]!
const answer = (over: Partial<ClientAnswer> = {}): ClientAnswer => ({
  format: 'tide-line/client-answer',
  version: 1,
  title: job.title,
  revision: 3,
  design: designMark(job),
  who: 'Spar and sail loft',
  at: '2026-11-20T09:15:00.000Z',
  agrees: true,
  note: '',
  marks: [],
  ...over,
})
const withAnswers = (j: Job, ...all: ClientAnswer[]): Job => ({ ...j, clientAnswers: all.map(keptAnswer) })
const mark = { view: 'side' as const, xMm: 420, yMm: 1960, says: 'Lower here, the loft door drags' }

describe('a client’s answer', () => {
  test('what his page saves is what is read; what is none is refused by its field', () => {
    expect(readClientAnswer(JSON.stringify(answer({ marks: [mark] })))).toEqual({ ok: true, value: answer({ marks: [mark] }) })
    const refused = (over: object) => {
      const read = readClientAnswer(JSON.stringify({ ...answer(), ...over }))
      return read.ok ? [] : read.faults.map((f) => f.where)
    }
    expect(refused({ format: 'tide-line/job' })).toEqual(['format'])
    expect(refused({ who: '  ' })).toEqual(['who'])
    expect(refused({ design: 'anything' })).toEqual(['design'])
    expect(refused({ marks: [{ ...mark, says: '' }] })).toEqual(['marks[0].says'])
    expect(refused({ marks: [{ ...mark, view: '3d' }] })).toEqual(['marks[0].view'])
    expect(refused({ marks: Array.from({ length: MOST_MARKS + 1 }, () => mark) })).toEqual(['marks'])
    expect(readClientAnswer('{"format":').ok).toBe(false)
    expect(readClientAnswer(`"${'x'.repeat(300_000)}"`).ok).toBe(false)
  })

  test('he agrees to one design: whatever is built or carried otherwise afterwards is another, what the shop notes is not', () => {
    const agreed = withAnswers(job, answer())
    expect(standingOf(agreed).kind).toBe('agreed')
    expect(
      standingOf({ ...agreed, notes: 'lamps ordered', station: 'cut', due: '2027-03-01', built: { x: tickOf('2026-11-27', 'y') } }).kind,
    ).toBe('agreed')
    const { brief } = agreed
    expect(standingOf({ ...agreed, brief: { ...brief, budgetMinor: 1, contact: 'by post', asked: {} } }).kind).toBe('agreed')
    // the same job with its names in another order, as it comes back from a file
    const turned = JSON.parse(JSON.stringify({ ...agreed, brief: Object.fromEntries(Object.entries(brief).reverse()) }))
    expect(standingOf(turned).kind).toBe('agreed')
    const wider = withParams(agreed, 'p1', { ...agreed.pieces[0]!.params, sideMm: 300 })
    const heavier = {
      ...agreed,
      brief: { ...agreed.brief, cargo: agreed.brief.cargo.map((c) => ({ ...c, massKg: { least: 40, most: 60 } })) },
    }
    const lower = { ...agreed, vehicle: { ...agreed.vehicle, roofHeightMm: { ...agreed.vehicle.roofHeightMm, value: 1890 } } }
    const stopped = { ...agreed, stops: { 'swing:rear-door': 60 } }
    for (const changed of [wider, heavier, lower, stopped]) expect(standingOf(changed).kind).toBe('agreed before')
    expect(standingOf(job).kind).toBe('silent')
  })

  test('the newest answer counts, in whatever order they were read', () => {
    const [first, then] = [answer({ agrees: false, note: 'higher sides' }), answer({ at: '2026-11-24T18:00:00.000Z' })]
    expect(standingOf(withAnswers(job, then, first)).kind).toBe('agreed')
    expect(standingOf(withAnswers(job, { ...then, agrees: false, note: 'no' }, { ...first, agrees: true })).kind).toBe('not agreed')
  })

  test('marks and words stay open at the hand-over, and marks on the drawing, until each is settled', () => {
    const said = withAnswers(job, answer({ agrees: false, note: 'And a ladder?', marks: [mark] }))
    const open = (j: Job) =>
      openItems(j, null, String)
        .filter((i) => i.station === 'hand-over')
        .map((i) => i.text)
    expect(open(said)).toEqual([
      'The client, on the side: “Lower here, the loft door drags”',
      'The client: “And a ladder?”',
      'Spar and sail loft has not agreed yet',
    ])
    const ring = clientMarks('side', said.clientAnswers).find((e) => e.kind === 'circle')!
    expect(ring.kind === 'circle' && ring.centre).toEqual({ x: 420, y: 1960 })
    expect(clientMarks('plan', said.clientAnswers)).toEqual([])
    const settled: Job = {
      ...said,
      clientAnswers: said.clientAnswers.map((a) => ({ ...a, noteSettled: true, marks: a.marks.map((m) => ({ ...m, settled: true })) })),
    }
    expect(unsettled(settled)).toEqual([])
    expect(clientMarks('side', settled.clientAnswers)).toEqual([])
    expect(open(settled)).toEqual(['Spar and sail loft has not agreed yet'])
  })

  test('one file is taken once, by the job whose page it answers, and no more than a job keeps', () => {
    expect(cannotTake(job, answer())).toBeNull()
    expect(cannotTake(withAnswers(job, answer()), answer())).toMatch(/read before/)
    expect(cannotTake(job, answer({ title: 'Another rack' }))).toMatch(/answers the page of “Another rack”/)
    const full = withAnswers(
      job,
      ...Array.from({ length: MOST_ANSWERS }, (_, i) => answer({ at: `2026-10-${10 + (i % 20)}T08:00:00.000Z`, who: `w${i}` })),
    )
    expect(JobSchema.safeParse(full).success).toBe(true)
    expect(cannotTake(full, answer())).toMatch(/keeps 20 answers/)
  })
  test('a job of before this still reads, with no answer in it', () => {
    const { clientAnswers: _, ...old } = job
    expect(JobSchema.parse(old).clientAnswers).toEqual([])
  })
})
