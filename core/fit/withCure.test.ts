import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import type { Motion } from './motions'
import { withCure } from './withCure'

const [, job] = demoJobs as [(typeof demoJobs)[0], (typeof demoJobs)[0], ...typeof demoJobs]
const gate = job.vehicle.swings.find((s) => s.kind === 'tailgate')!
const item = job.brief.cargo[0]!
const motion = (id: string) => ({ mover: { id } }) as Pick<Motion, 'mover'>

describe('a cure done', () => {
  test('a stop on a door of the vehicle: it opens no farther, no other door changes, and nothing else of the job', () => {
    const done = withCure(job, motion(`swing:${gate.id}`), { kind: 'stop', at: 41 })!
    expect(done.vehicle.swings.find((s) => s.id === gate.id)!.opensDeg).toBe(41)
    expect(done.vehicle.swings.filter((s) => s.id !== gate.id)).toEqual(job.vehicle.swings.filter((s) => s.id !== gate.id))
    expect({ ...done, vehicle: job.vehicle }).toEqual(job)
  })
  test('an item is moved along the vehicle’s own axes: forward is more x, left is more y', () => {
    const moved = (way: 'forward' | 'back' | 'left' | 'right') => {
      const c = withCure(job, motion('swing:x'), { kind: 'move', id: `cargo:${item.id}`, name: item.name, pieceId: null, way, byMm: 30 })!
        .brief.cargo[0]!
      return [c.xMm - item.xMm, c.yMm - item.yMm]
    }
    expect([moved('forward'), moved('back'), moved('left'), moved('right')]).toEqual([
      [30, 0],
      [-30, 0],
      [0, 30],
      [0, -30],
    ])
  })
  test('a stop on a lid, or a piece set elsewhere, is somebody’s to design: nothing is done by itself', () => {
    expect(withCure(job, motion('p1/lid'), { kind: 'stop', at: 41 })).toBeNull()
    expect(withCure(job, motion('p1/lid'), { kind: 'move', id: 'p1', name: 'lid', pieceId: 'p1', way: 'back', byMm: 30 })).toBeNull()
    expect(withCure(job, motion('x'), { kind: 'move', id: `cargo:${item.id}`, name: 'x', pieceId: null, way: 'up', byMm: 30 })).toBeNull()
  })
})
