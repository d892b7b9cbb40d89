import { footTypes } from '../catalogue/mounts'
import type { Rules } from '../rules/rules'
import { closedTubes, type Seam, weldMap } from '../weldMap/weldMap'
import { inWords, nutsFirst } from './reaching'
import { type BuildGiven, type BuildStep, step } from './step'

/** Parts put together: vented, tacked, tried on the vehicle and welded out, or bolted loose. */
export function joining({ assembly: a, workshop, rules, reach }: BuildGiven): BuildStep[] {
  const map = weldMap(a, workshop.welders, rules, reach?.welds ?? null)
  const closed = closedTubes(a)
  const drilled = a.mounts.some((m) => footTypes[m.kind].drilled)
  const bolts = a.joints.filter((j) => j.bolts).reduce((s, j) => s + (j.bolts?.count ?? 0), 0)
  if (!map.seams.length)
    return bolts
      ? [
          ...nutsFirst(reach),
          step('assemble', 'Bolt it together, loose', `${bolts} bolts, none tight yet`, {
            minutes: bolts * rules.boltMin,
            tools: ['spanners'],
            needs: ['cut', 'drill', 'plates', 'fold', 'nuts'],
          }),
        ]
      : []
  const made = ['cut', 'bend', 'saddle', 'plates', 'fold', 'drill', 'first-off']
  return [
    ...(closed.length
      ? [
          step('vents', 'Vent closed tubes', 'a tube shut at both ends bursts in an oven and rots on the road', {
            place: 'drill',
            minutes: closed.length * rules.holeMin,
            marks: closed,
            tools: ['drill, 6 mm'],
            caution: 'A closed tube that is heated can burst: no weld shuts the last opening before its vent is drilled.',
            needs: made,
            gate: true,
          }),
        ]
      : []),
    step('tack', 'Tack on the jig', `${map.seams.reduce((s, x) => s + x.tacks, 0)} tacks, opposite ones first`, {
      place: 'welding',
      minutes: map.seams.length * rules.weldSetUpMin,
      tools: [...new Set(map.seams.map((s) => s.process)), 'jig', 'clamps'],
      caution: 'Welding is for people trained in it; galvanised or coated metal is bared and the air moved first.',
      needs: [...made, 'vents'],
    }),
    ...weldedFirst(map.seams, rules),
    step('measure', 'Measure before it is welded out', 'widths, both diagonals and twist are still free to change', {
      minutes: 15,
      tools: ['tape', 'level'],
      needs: ['tack', 'weld-first'],
      gate: true,
    }),
    step(
      'trial-fit',
      'Try it on the vehicle',
      `what does not fit now is a tack to break, later a weld${drilled ? '; its holes in the vehicle are marked through its feet now, while it is held there' : ''}`,
      {
        place: 'vehicle',
        minutes: 25,
        people: 2,
        needs: ['measure'],
        gate: true,
      },
    ),
    step('weld', 'Weld out', `${map.seams.length} welds in the order of their numbers`, {
      place: 'welding',
      minutes: map.minutes - map.seams.length * rules.weldSetUpMin,
      tools: [...new Set(map.seams.map((s) => s.process))],
      caution:
        'On the vehicle only with battery isolated, alternator unplugged, glass, fuel and linings covered, and somebody on fire watch.',
      needs: ['trial-fit'],
    }),
    step('straighten', 'Check and straighten', 'the same measures as before: welding pulls', {
      minutes: 20,
      tools: ['tape', 'level'],
      needs: ['weld'],
      gate: true,
    }),
  ]
}

/** Welds that no torch gets to once more is tacked on: they are welded out between. */
function weldedFirst(seams: Seam[], rules: Rules): BuildStep[] {
  const first = seams.filter((s) => s.before.length)
  if (!first.length) return []
  return [
    step('weld-first', 'Weld out what is shut in later', inWords(first.map((s) => `No ${s.number} before ${s.before.join(' and ')}`)), {
      place: 'welding',
      minutes: first.length * rules.weldSetUpMin,
      marks: [...new Set(first.flatMap((s) => s.between))],
      tools: [...new Set(first.map((s) => s.process))],
      caution: 'These pull before the rest is measured: tack across them and check the diagonals again.',
      needs: ['tack'],
    }),
  ]
}
