import { describe, expect, test } from 'vitest'
import { pieceIdOf } from '../assembly/ids'
import { readJobFile, writeJobFile } from '../exchange/jobFile'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { defaultRules } from '../rules/rules'
import { assembled, rackAlone } from '../testing/racks'
import { copied, mayStandOn, reordered, without } from './editPieces'
import { newPiece, nextPlace, type Piece } from './piece'
import { ofPiece, wholeOf } from './whole'

const rack = rackAlone(demoJobs[0]!)
const [first] = rack.pieces as [Piece]
const withPieces = (...pieces: Piece[]): Job => ({ ...rack, pieces })
const codes = (job: Job) => evaluate(job, defaultRules).issues.map((i) => i.code)
const second = (over: Partial<Piece> = {}): Piece => ({ ...first, id: 'p2', letter: 'B', ...over })

describe('ids and letters', () => {
  test('the first piece has no letter, the next is B; a letter and an id once used by one that stays are not given again', () => {
    expect(nextPlace([])).toEqual({ id: 'p1', letter: '' })
    expect(nextPlace([first])).toEqual({ id: 'p2', letter: 'B' })
    expect(nextPlace([second({ id: 'p3', letter: 'C' }), second()])).toEqual({ id: 'p4', letter: 'D' })
    expect(nextPlace([first, second({ id: 'p3', letter: 'C' })])).toEqual({ id: 'p4', letter: 'B' })
  })
  test('every part of the whole is under its piece’s name, and the pieces together are the whole', () => {
    const job = demoJobs[1]!
    const whole = wholeOf(job, defaultRules)
    for (const m of whole.assembly.members) expect(job.pieces.map((p) => p.id)).toContain(pieceIdOf(m.id))
    const each = job.pieces.map((p) => ofPiece(whole, p.id).members.length)
    expect(each.reduce((s, n) => s + n, 0)).toBe(whole.assembly.members.length)
    expect(Math.min(...each)).toBeGreaterThan(0)
    expect(whole.assembly.members.filter((m) => pieceIdOf(m.id) === 'p2').every((m) => m.mark.startsWith('B-'))).toBe(true)
  })
})

describe('what goes wrong between pieces is said at the piece', () => {
  test('one that stands on a piece that was removed is not put together, and one press sets it on the vehicle', () => {
    const job = withPieces(second({ on: 'p1' }))
    expect(assembled(job).members).toEqual([])
    const issue = evaluate(job, defaultRules).issues.find((i) => i.code === 'piece_on_gone')!
    expect(issue.fix).toEqual([{ path: ['pieces', 0, 'on'], to: null }])
  })
  test('a circle is named at once and ends nowhere', () => {
    expect(codes(withPieces({ ...first, on: 'p2' }, second({ on: 'p1' })))).toContain('piece_circle')
    expect(codes(withPieces({ ...first, on: 'p1' }))).toContain('piece_circle')
  })
  test('two in the same place meet', () => expect(codes(withPieces(first, second()))).toContain('pieces_meet'))
  test('one put away takes no room, weighs nothing and carries nothing', () => {
    const job = withPieces(first, second({ state: 'off' }))
    expect(codes(job)).not.toContain('pieces_meet')
    expect(evaluate(job, defaultRules).rackMassKg).toBe(evaluate(rack, defaultRules).rackMassKg)
  })
  test('a vehicle changed under its pieces: what no longer has a place says what it lacks, and is never clear', () => {
    const guarded = demoJobs[1]!
    const job = { ...guarded, vehicle: { ...rack.vehicle } }
    const e = evaluate(job, defaultRules)
    expect(e.issues.map((i) => i.code)).toContain('piece_does_not_fit')
    expect(e.pieces.find((p) => p.id === 'p2')!.assembly.mounts).toEqual([])
    expect(e.limits.filter((l) => l.pieceId === 'p2' && l.state === 'clear')).toEqual([])
  })
  test('a family that this version does not know is kept whole through file and back, shown, and adds nothing', () => {
    const odd: Piece = { ...second(), family: 'moon-basket', params: { hoops: [{ lean: 4, note: 'läng' }], open: null } }
    const job = withPieces(first, odd)
    const back = readJobFile(writeJobFile(job))
    expect(back).toEqual({ ok: true, value: job })
    expect(codes(job)).toContain('piece_unknown')
    expect(assembled(job)).toEqual(assembled(rack))
  })
  test('twelve pieces are twelve pieces: put together, weighed and judged each by itself', () => {
    const job = withPieces(
      ...Array.from({ length: 12 }, (_, i) => (i ? second({ id: `p${i + 1}`, letter: String.fromCharCode(65 + i) }) : first)),
    )
    const e = evaluate(job, defaultRules)
    expect(e.pieces).toHaveLength(12)
    expect(e.rackMassKg).toBeCloseTo(12 * evaluate(rack, defaultRules).rackMassKg!, 6)
  })
})

describe('working on the list', () => {
  test('a copy stands beside its first under its own id and letter, and shares nothing with it', () => {
    const list = copied([{ ...first, name: 'Rack' }], 'p1')
    expect(list.map((p) => [p.id, p.letter, p.name])).toEqual([
      ['p1', '', 'Rack'],
      ['p2', 'B', 'Rack, copy'],
    ])
    expect(list[1]!.params).toEqual(first.params)
    expect(list[1]!.params).not.toBe(first.params)
    expect(copied([first], 'nobody')).toEqual([first])
  })
  test('up and down end at the ends of the list', () => {
    const list = [first, second()]
    expect(reordered(list, 'p1', -1)).toEqual(list)
    expect(reordered(list, 'p1', 1).map((p) => p.id)).toEqual(['p2', 'p1'])
    expect(without(list, 'p1').map((p) => p.id)).toEqual(['p2'])
  })
  test('it may stand on what does not stand on it, near or far', () => {
    const list = [first, second({ on: 'p1' }), second({ id: 'p3', on: 'p2' }), second({ id: 'p4' })]
    expect(mayStandOn(list, 'p1').map((p) => p.id)).toEqual(['p4'])
    expect(mayStandOn(list, 'p3').map((p) => p.id)).toEqual(['p1', 'p2', 'p4'])
  })
  test('a new one of an unlisted family is none', () =>
    expect(
      newPiece('nothing', [], { vehicle: rack.vehicle, brief: rack.brief, rules: defaultRules, below: null, state: 'fitted' }),
    ).toBeNull())
})

describe('a job of the format before pieces', () => {
  const { pieces: _, ...bare } = rack
  const old = (over: Record<string, unknown>) =>
    readJobFile(JSON.stringify({ ...bare, version: 2, design: { family: first.family, params: first.params }, ...over }))
  test('its one design is its first piece, with every parameter', () => {
    const read = old({})
    expect(read.ok && read.value.pieces).toEqual([first])
  })
  test('what hung in the receiver is a found piece with the same figures; a rack without bars beside it was none', () => {
    const carrier = {
      pinXMm: -1300,
      massKg: 21,
      centreBehindMm: 310,
      zMm: 520,
      endBehindMm: 700,
      bottomZMm: 400,
      loads: [{ name: 'box', massKg: 30, behindMm: 450, zMm: null }],
    }
    const vehicle = { ...rack.vehicle, carrier }
    const read = old({ vehicle, design: { family: first.family, params: { ...first.params, barXMm: [] } } })
    expect(read.ok && read.value.pieces).toMatchObject([
      {
        id: 'p2',
        letter: 'B',
        family: 'already-there',
        params: { where: 'receiver', pinXMm: -1300, massKg: 21, behindMm: 310, zMm: 520, loads: [{ massKg: 30, zMm: null }] },
      },
    ])
    const both = old({ vehicle })
    expect(both.ok && both.value.pieces.map((p) => p.family)).toEqual(['crossbar-rack', 'already-there'])
  })
  test('a roof’s rating asked for a canopy is the canopy’s', () => {
    const canopy = {
      id: 'canopy',
      name: 'Canopy',
      kind: 'canopy',
      fromXMm: -900,
      toXMm: 700,
      bottomZMm: 1000,
      topZMm: 1700,
      widthMm: 1700,
      movesMm: 0,
      hinge: null,
    }
    const vehicle = { ...rack.vehicle, bodies: [canopy], mounts: rack.vehicle.mounts.map((m) => ({ ...m, bodyId: 'canopy' })) }
    const read = old({ vehicle })
    expect(read.ok && read.value.vehicle.bodies[0]!.movingKg.value).toBe(rack.vehicle.roofMovingKg.value)
    expect(read.ok && read.value.vehicle.roofMovingKg.value).toBeNull()
  })
})
