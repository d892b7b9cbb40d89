import type { Fitting, Joint, Plate } from '../../assembly/assembly'
import { materialOf } from '../../catalogue/materials'
import { profileOf } from '../../catalogue/profiles'
import { rectangle } from '../../geometry/polygon'
import { Impossible } from '../../issue/impossible'
import type { Issue } from '../../issue/issue'
import { pitchInOpening } from '../../spacing/opening'
import { type BasketParams, outsideMm } from './params'
import type { BasketShape } from './shape'

const TAB_MM = 5
/** Two bolts to a lamp, this far either side of its middle: on one it would turn. Shop's own, mm */
const BOLT_OUT_MM = 16
/** A lamp's bolts stand so far ahead of the tube that a spanner turns beside it: half a ring of M8 and a bead of weld. Shop's own, mm */
const BESIDE_TUBE_MM = 15
/** Of the tab, what lies on the tube behind its middle, and what is left ahead of the bolts. Shop's own, mm */
const TAB_BACK_MM = 12
const TAB_FRONT_MM = 18
/** A lamp is taken out forward or upward past the shell's tube: so much air behind it. Shop's own, mm */
const OUT_MM = 20

/** Lamps evenly set on the straight of the shell, each on a tab, and what keeps one from fitting or from coming out again. */
export function lampsOf(p: BasketParams, s: BasketShape): { plates: Plate[]; fittings: Fitting[]; joints: Joint[]; issues: Issue[] } {
  const none = { plates: [], fittings: [], joints: [], issues: [] as Issue[] }
  const issue = (key: string, says: string): Issue => ({ code: 'shape', at: ['params', key], fix: null, says })
  if (!p.shell)
    return p.lamps ? { ...none, issues: [issue('shell', 'Lamps stand on the lamp shell: turn it on, or leave them off')] } : none
  if (s.shellUpMm === null)
    return {
      ...none,
      issues: [
        issue(
          'sideMm',
          'The legs of the front hoop have no straight left for the lamp shell: higher sides, a smaller radius, or no side bars',
        ),
      ],
    }
  if (!p.lamps) return none
  const front = s.hoops[0]
  const tube = outsideMm(p.hoopProfileId)
  const x = front.legAt(s.shellUpMm, 1).x + p.shellAheadMm
  const z = s.z + s.shellUpMm + tube / 2
  const aheadMm = tube / 2 + BESIDE_TUBE_MM
  const clear = 2 * (front.half - (p.bendRadiusMm ?? tube))
  try {
    const { middlesMm } = pitchInOpening(clear, p.lampMm, p.lamps, p.lampGapMm)
    const issues: Issue[] = []
    // the front hoop leans over the lamps: what is left between the two at the lamp's own height
    const room = p.shellAheadMm + aheadMm - Math.max(0, front.legAt(s.shellUpMm + p.lampMm / 2, 1).x - front.legAt(s.shellUpMm, 1).x) - tube
    if (room < p.lampDeepMm / 2 + OUT_MM)
      issues.push(
        issue(
          'shellAheadMm',
          `A lamp {${p.lampDeepMm}} deep cannot be taken out again: {${Math.max(0, Math.round(room))}} are left behind it, {${p.lampDeepMm / 2 + OUT_MM}} are needed. Set the shell further ahead`,
        ),
      )
    const materialId = materialOf(profileOf(p.hoopProfileId).materialId).id
    const made = middlesMm.map((at, i) => {
      const y = clear / 2 - at
      const plate: Plate = {
        id: `tab:${i}`,
        mark: 'LT',
        name: 'Lamp tab',
        materialId,
        thicknessMm: TAB_MM,
        outline: rectangle(TAB_BACK_MM + aheadMm + TAB_FRONT_MM, 60).map((q) => ({
          ...q,
          x: q.x + (aheadMm + TAB_FRONT_MM - TAB_BACK_MM) / 2,
        })),
        holes: [-1, 1].map((k) => ({ at: { x: aheadMm, y: k * BOLT_OUT_MM }, diameterMm: 9 })),
        bends: [],
        pose: { origin: { x, y, z: z + TAB_MM / 2 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
        goodFace: 'up',
        air: 'sheltered',
      }
      const middle = { x: x + aheadMm, y, z: z + TAB_MM + p.lampMm / 2 }
      const fitting: Fitting = {
        id: `lamp:${i}`,
        mark: `LA${i + 1}`,
        name: 'Lamp',
        massKg: p.lampKg,
        at: middle,
        middle,
        size: { x: p.lampDeepMm, y: p.lampMm, z: p.lampMm },
        round: { axis: { x: 1, y: 0, z: 0 }, acrossMm: p.lampMm, wideMm: p.lampDeepMm },
        unknown: [],
        priceMinor: p.lampPriceMinor,
        there: false,
      }
      const joints: Joint[] = [
        {
          id: `weld:tab:${i}`,
          kind: 'weld',
          between: [plate.id, 'shell'],
          at: { x, y, z },
          weld: { lengthMm: 40, apartMm: 20, allRound: false },
        },
        {
          id: `foot:lamp:${i}`,
          kind: 'bolt',
          between: [fitting.id, plate.id],
          at: { x: x + aheadMm, y, z: z + TAB_MM },
          bolts: { size: 'M8', count: 2, apartMm: 2 * BOLT_OUT_MM },
        },
      ]
      return { plate, fitting, joints }
    })
    return { plates: made.map((m) => m.plate), fittings: made.map((m) => m.fitting), joints: made.flatMap((m) => m.joints), issues }
  } catch (error) {
    if (!(error instanceof Impossible)) throw error
    return { ...none, issues: [issue('lamps', `Lamps on the shell: ${error.message.replace(/([\d.]+) mm/g, '{$1}')}`)] }
  }
}
