import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { madeAssembly } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { rackFrame } from '../structure/rackFrame'
import { madeOf, memberState, stressOf } from './memberState'

// the second way: every piece of every member looked at every few millimetres, softened or not by its distance to the welds alone
const LOOKS = 60
test.each(demoJobs.filter((j) => /^(Hoop|Half|Welded)/.test(j.title)).map((j) => [j.title, j] as const))(
  '%s: no place inside any member is used more, or bends more beside a weld or clear of one, than what is told of it',
  (_, job) => {
    const assembly = madeAssembly(job, defaultRules)
    const rack = rackFrame(assembly, defaultRules, new Map(), 'clamped')
    const perMm = Float64Array.from({ length: 3 * rack.frame.members.length }, (_, i) => Math.sin(3 * i) / 3 - (i % 3 === 2 ? 0.6 : 0))
    const nodes = rack.heads.map((n, i) => ({
      node: String(n),
      force: [200 * Math.cos(i), 90, -300] as [number, number, number],
      moment: [4e4 * Math.sin(i), 2e4, 0] as [number, number, number],
    }))
    const solved = rack.frame.solve({ nodes, members: [], perMm })
    let welded = 0
    for (const m of assembly.members) {
      const state = memberState(m, assembly, rack, solved, defaultRules)
      const { section, material } = madeOf(m)
      const found = { used: 0, beside: 0, plain: 0 }
      for (const p of rack.pieces.filter((p) => p.memberId === m.id)) {
        const all = p.toMm - p.fromMm
        const at = Array.from({ length: LOOKS + 1 }, (_, i) => (all * i) / LOOKS)
        for (const i of solved.inside(p.element, at)) {
          const stress = stressOf(
            {
              axialN: i.axial,
              momentYNmm: i.momentY,
              momentZNmm: i.momentZ,
              torqueNmm: i.torque,
              shearN: Math.hypot(i.shearY, i.shearZ),
            },
            section,
          )
          const soft = p.welds.some((w) => p.fromMm + i.x >= w.fromMm - 1e-6 && p.fromMm + i.x <= w.toMm + 1e-6)
          const allowed = (soft ? material.weldedYieldMPa : material.yieldMPa) / defaultRules.yieldSafety
          found.used = Math.max(found.used, stress / allowed)
          found[soft ? 'beside' : 'plain'] = Math.max(found[soft ? 'beside' : 'plain'], stress)
        }
      }
      if (found.beside > 0) welded++
      for (const [told, seen] of [
        [state.used, found.used],
        [state.besideWeldMPa, found.beside],
        [state.plainMPa, found.plain],
      ] as const) {
        // shear and pull move the peak of what bends both ways by a hair
        expect(told, m.name).toBeGreaterThanOrEqual(seen * (1 - 1e-4))
        // nor is more told than there is: between two looks nothing grows by so much
        expect(told, m.name).toBeLessThanOrEqual(seen * 1.05 + 0.05)
      }
    }
    expect(welded).toBeGreaterThan(3)
  },
)
