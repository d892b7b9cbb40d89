import RAPIER from '@dimforge/rapier3d-compat'
import { fitGiven } from '../core/fit/fit'
import { gapsOf } from '../core/fit/gaps'
import { motionsOf } from '../core/fit/motions'
import { evaluate } from '../core/job/evaluate'
import { patchedParams } from '../core/job/piecesOf'
import { takeApart } from '../core/reach/takeApart'
import { defaultRules } from '../core/rules/rules'
import { rapierKit } from '../core/touch/kit'
import { Measurer } from '../core/touch/meetings'
import type { Mover } from '../core/touch/movers'
import { boxSolid, type Solid } from '../core/touch/solids'
import { sweepOf } from '../core/touch/sweep'
import { three } from './pieces'

/** A wheel of 35 × 12.5 in as a drum of 48 sides, on an arm beside its hinge. */
function wheel(): Solid {
  const ring = (x: number) =>
    Array.from({ length: 48 }, (_, i) => ({ x, y: 600 + 444 * Math.cos((i * Math.PI) / 24), z: 900 + 444 * Math.sin((i * Math.PI) / 24) }))
  return { id: 'wheel', name: 'wheel', kind: 'fitting', pieceId: null, hulls: [[...ring(-1500), ...ring(-1182)]] }
}

/** Fit: all pairs of a large job the first time and after one part moved, a swept wheel, taking apart. Reach: 2 s, 150 ms, 1 s. */
export async function fitBench(): Promise<string[][]> {
  await RAPIER.init()
  const kit = rapierKit(RAPIER)
  const measurer = new Measurer(kit)
  const figures = evaluate(three, defaultRules)
  const given = fitGiven(three, figures, defaultRules)
  const timed = (work: () => unknown): string => {
    const start = performance.now()
    work()
    return `${Math.round(performance.now() - start)} ms`
  }
  const first = timed(() => gapsOf(given, measurer))
  const piece = three.pieces.find((p) => p.family === 'cab-guard')!
  const moved = patchedParams(three, piece.id, { heightMm: 735 })
  const later = fitGiven(moved, evaluate(moved, defaultRules), defaultRules)
  const again = timed(() => gapsOf(later, measurer))
  const hinge: Mover = {
    id: 'arm',
    name: 'arm',
    kind: 'turn',
    axis: { at: { x: -1180, y: 1000, z: 0 }, way: { x: 0, y: 0, z: -1 } },
    from: 0,
    to: 110,
    moves: ['wheel'],
    leaf: null,
    after: null,
    pieceId: null,
  }
  const still = Array.from({ length: 60 }, (_, i) =>
    boxSolid(`b${i}`, `b${i}`, 'fitting', { x: -2600 + 40 * i, y: -1400 + 30 * i, z: 300 + 20 * i }, { x: 60, y: 60, z: 300 }),
  )
  const parts = given.assembly.members.length + given.assembly.plates.length + given.assembly.mounts.length
  const rows = [
    [`gaps of ${parts} parts, the first time`, first, 'all pairs; reach 2 s'],
    ['after the guard was raised', again, 'pairs of what moved; reach 150 ms'],
    ['a 35 in wheel swung 110° past 60 boxes', timed(() => sweepOf(kit, hinge, [wheel()], still, () => false, 110)), 'reach 1 s'],
    ['all that moves on that job', timed(() => motionsOf(given, kit)), 'with the cures that were tried'],
    ['taken apart, with tools at 98 feet', timed(() => takeApart(given, kit)), 'beside the gaps'],
    ['the same after a load was moved', timed(() => takeApart(given, kit)), ''],
  ]
  kit.close()
  return rows
}
