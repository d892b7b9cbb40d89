import request from 'supertest'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { builtFrom } from '../../core/job/piecesOf'
import { OutsideAnswerSchema } from '../../core/outside/answer'
import { defaultRules } from '../../core/rules/rules'
import { createApp } from '../app'
import { openStore } from '../keeping/openStore'
import { openWorkshop, type Workshop } from '../workshop/workshop'

let app: ReturnType<typeof createApp>
let workshop: Workshop
let close: () => Promise<void>
beforeAll(async () => {
  const db = await openStore(':memory:')
  workshop = openWorkshop()
  app = createApp({ db, workshop, webFolder: null, log: () => undefined })
  close = () => db.destroy()
})
afterAll(async () => {
  await workshop.close()
  await close()
})

test('a stand-in answers a real question with a price, days or a fault for each line, stamped as simulated', async () => {
  const asked = builtFrom(demoJobs.find((j) => j.title.startsWith('Half guard'))!, defaultRules).asked.laser!
  const answer = OutsideAnswerSchema.parse((await request(app).post('/api/outside').send(asked).expect(200)).body)
  expect(answer.answers.map((a) => a.key)).toEqual(asked.lines.map((l) => l.key))
  for (const a of answer.answers) expect(a.minor === null).toBe(a.faults.length > 0)
  expect([answer.simulated, answer.used]).toEqual([true, false])
})
test.each([
  [{}, 'kind'],
  [{ kind: 'baker', lines: [] }, 'kind'],
  [{ kind: 'laser', lines: [] }, 'lines'],
  [{ kind: 'laser', lines: [{ key: 'k', name: 'n', unit: 'piece', quantity: -1, massKg: 1, longMm: 1, wideMm: 1 }] }, 'lines[0].quantity'],
])('%o is refused at its field', async (body, where) => {
  const { body: answer } = await request(app).post('/api/outside').send(body).expect(422)
  expect(answer.faults.map((f: { where: string }) => f.where)).toContain(where)
})
