import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { intakeMet } from '../job/intakeMet'
import { type Job, JobSchema } from '../job/job'
import { openItems } from '../job/openItems'
import { defaultRules } from '../rules/rules'
import { type Asked, AskedSchema, intakeQuestions, notAsked, stillOpen } from './intake'

const bare = { ...demoJobs[0]!, anchors: [] }
const asking = (job: Job, asked: Asked): Job => ({ ...job, brief: { ...job.brief, asked } })
const yes = (note = '') => ({ answer: 'yes' as const, note, settled: false })
const open = (job: Job) => {
  const e = evaluate(job, defaultRules)
  return openItems(job, e, String).filter((i) => i.station === 'brief')
}

describe('what is often forgotten', () => {
  test('there are a dozen; what is not asked is one line to look at, and a no is an answer', () => {
    expect(intakeQuestions).toHaveLength(12)
    expect(notAsked({})).toBe(12)
    const line = (job: Job) => open(job).find((i) => /often forgotten/.test(i.text))
    expect(line(asking(bare, {}))).toMatchObject({ weight: 'worth a look', text: expect.stringMatching(/^12 of the questions/) })
    const allNo = Object.fromEntries(intakeQuestions.map((q) => [q.id, { answer: 'no', note: '', settled: false }])) as Asked
    expect(line(asking(bare, allNo))).toBeUndefined()
    expect(open(asking(bare, allNo)).some((i) => /Yes:/.test(i.text))).toBe(false)
  })
  test('a yes stays open in the client’s words until somebody settles it', () => {
    const job = asking(bare, { later: yes('A second awning on the right.') })
    expect(open(job).find((i) => /second awning/.test(i.text))).toMatchObject({ weight: 'needed' })
    expect(open(asking(bare, { later: { ...yes('x'), settled: true } })).some((i) => i.text.startsWith('x'))).toBe(false)
  })
  test('what the job answers by itself is open until it does: anchors to tie to, a height to pass, a step to climb by, the next tyre', () => {
    const asked = { ties: yes(), under: yes(), climbs: yes(), tyres: yes() }
    const metOf = (job: Job) => intakeMet(job, evaluate(job, defaultRules).assembly)
    const poor = asking({ ...bare, brief: { ...bare.brief, passages: [] } }, asked)
    expect(stillOpen(asked, metOf(poor))).toHaveLength(4)
    const tied = { ...poor, anchors: demoJobs[0]!.anchors }
    expect(metOf(tied).has('ties')).toBe(true)
    expect(metOf({ ...poor, brief: { ...poor.brief, passages: [{ name: 'gate', heightMm: null }] } }).has('under')).toBe(false)
    expect(metOf({ ...poor, brief: { ...poor.brief, passages: [{ name: 'gate', heightMm: 3000 }] } }).has('under')).toBe(true)
    expect(metOf({ ...poor, vehicle: { ...poor.vehicle, tyres: { now: '235/65 R16', next: '245/70 R16' } } }).has('tyres')).toBe(true)
    // somebody climbs, and the bars are made to climb by; a wish alone is no step
    expect(metOf({ ...poor, brief: { ...poor.brief, someoneClimbs: true } }).has('climbs')).toBe(true)
    expect(metOf({ ...poor, pieces: [], brief: { ...poor.brief, someoneClimbs: true } }).has('climbs')).toBe(false)
  })
  test('an old job reads with nothing asked; a question that there is not is refused', () => {
    const { asked: _, ...old } = bare.brief
    expect(JobSchema.parse({ ...bare, brief: old }).brief.asked).toEqual({})
    expect(AskedSchema.safeParse({ weather: yes() }).success).toBe(false)
    expect(AskedSchema.safeParse({ later: { answer: 'perhaps' } }).success).toBe(false)
  })
})
