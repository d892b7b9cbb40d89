import type { Hardware, Joint, Member } from '../../assembly/assembly'
import { throughBolts } from '../../assembly/usualHardware'
import { SHOP_GRADE } from '../../catalogue/bolts'
import { profileSection } from '../../catalogue/profiles'
import { boltMayN } from '../../fasten/bolt'
import type { Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import { wedge } from '../../wedge/wedge'
import type { SwingOutParams } from './params'
import { ENGAGED_MM, INSERT_MM } from './shape'

/** The draw bolt of the insert and its pitch, and how far its captive nut lets it draw. ISO 261; mm, the travel is the shop's own */
const DRAW_BOLT = 'M12'
const PITCH_MM = 1.75
const TRAVEL_MM = 30
const FRICTION = 0.15

/** What the insert has to do and can: how far it is drawn to take up the slack, in how many turns, and how much more it could take up. mm */
export function insertOf(p: Pick<SwingOutParams, 'slackMm' | 'cutDeg'>): { drawMm: number; turns: number; reserveMm: number } | null {
  if (p.slackMm === null) return null
  const { drawMm, turns } = wedge(p.slackMm, p.cutDeg, PITCH_MM, FRICTION)
  return { drawMm, turns, reserveMm: TRAVEL_MM * Math.tan((p.cutDeg * Math.PI) / 180) - p.slackMm }
}

/** What keeps the tongue from knocking in its receiver: a sloped end drawn along another, or a clamp; and what is open about it. */
export function swayOf(
  p: SwingOutParams,
  pin: Vec3,
  loadFactor: number,
): { members: Member[]; joints: Joint[]; hardware: Hardware[]; issues: Issue[] } {
  const none = { members: [], joints: [], hardware: [], issues: [] as Issue[] }
  const says = (key: string, text: string): Issue => ({ code: 'shape', at: ['params', key], fix: null, says: text })
  const tongue = profileSection(p.beamProfileId)
  if (p.sway === 'none')
    return {
      ...none,
      issues: [
        {
          code: 'shape',
          at: ['params', 'sway'],
          fix: [{ path: ['params', 'sway'], to: 'insert' }],
          says: 'A tongue is looser than its receiver: without an insert or a clamp a swung wheel knocks in it and wears it out',
        },
      ],
    }
  if (p.sway === 'clamp') return { ...none, hardware: throughBolts('M10', tongue.widthMm + 10, 1, 'clamp against sway in the receiver') }
  const front = { x: pin.x + ENGAGED_MM, y: 0, z: pin.z }
  const does = insertOf(p)
  return {
    members: [
      {
        id: 'insert',
        mark: 'W1',
        name: 'Insert',
        profileId: p.beamProfileId,
        path: [{ ...front, x: front.x + INSERT_MM }, front],
        ends: [{ kind: 'square' }, { kind: 'mitre', angleDeg: p.cutDeg }],
      },
    ],
    joints: [
      {
        id: 'joint:insert',
        kind: 'clamp',
        between: ['insert', 'tongue'],
        at: front,
        rated: {
          holdsN: boltMayN(DRAW_BOLT, SHOP_GRADE, loadFactor).tensionN,
          by: `ISO 3506-1, ${SHOP_GRADE}; EN 1993-1-8, table 3.4`,
          what: `draw bolt ${DRAW_BOLT} of the insert`,
        },
      },
    ],
    hardware: throughBolts(
      DRAW_BOLT,
      ENGAGED_MM + INSERT_MM,
      1,
      does
        ? `draw bolt of the insert: {${round(does.drawMm)}} to draw, ${does.turns.toFixed(1)} turns, {${round(does.reserveMm)}} more slack could be taken up; its nut is welded in before the tube is closed`
        : 'draw bolt of the insert; its nut is welded in before the tube is closed',
    ),
    issues: [
      ...(does
        ? []
        : [
            says(
              'slackMm',
              'How much the tongue is narrower than its receiver is not measured: nobody knows whether the insert takes it up',
            ),
          ]),
      ...(does && does.reserveMm < 0
        ? [
            says(
              'cutDeg',
              `The insert takes up {${round(TRAVEL_MM * Math.tan((p.cutDeg * Math.PI) / 180))}} in all its travel, and the slack is {${p.slackMm}}: cut it steeper`,
            ),
          ]
        : []),
      ...(Math.tan((p.cutDeg * Math.PI) / 180) >= FRICTION
        ? [
            says(
              'cutDeg',
              `A cut of ${p.cutDeg}° slides back by itself once the bolt is loose: use a locking nut and look at it at every recheck`,
            ),
          ]
        : []),
    ],
  }
}
const round = (mm: number): number => Math.round(mm * 10) / 10
