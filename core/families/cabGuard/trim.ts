import type { AssemblyAnchor, Infill, Joint, Plate } from '../../assembly/assembly'
import { materialOf } from '../../catalogue/materials'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { besideWeldMPa, fillers } from '../../fasten/filletWeld'
import { rectangle } from '../../geometry/polygon'
import type { Vec3 } from '../../geometry/vec3'
import { radians } from '../../quantity/units'
import type { GuardParams } from './params'
import { L, MESH, nameOf, PLATE_MM, SLATS, sides, sillOf, topHalf } from './parts'
import type { GuardShape } from './shape'

/** A triangle in each upper corner, in the plane of posts and top bar, its legs along both. */
export function gussetsOf(p: GuardParams, s: GuardShape): { plates: Plate[]; joints: Joint[] } {
  const bar = profileSection(p.profileId)
  const leg = Math.min(p.gussetMm, Math.max(40, s.posts.topMm / 3), s.posts.heightMm * 0.6)
  const a = radians(s.leanDeg)
  const materialId = materialOf(profileOf(p.profileId).materialId).id
  const made = sides.map((side) => {
    const corner = s.top(side)
    // inner face of the post at its head
    const inner = corner.y - (side * bar.widthMm) / 2 / Math.cos(a)
    const origin: Vec3 = { x: corner.x - PLATE_MM / 2, y: inner, z: corner.z }
    const post = (down: number): Vec3 => ({ x: corner.x, y: inner + side * down * Math.tan(a), z: corner.z - down })
    const id = `gusset:${nameOf(side)}`
    const plate: Plate = {
      id,
      mark: 'GP',
      name: 'Corner gusset',
      materialId,
      thicknessMm: PLATE_MM,
      // along the top bar inward, and down along the post
      outline: [
        { x: 0, y: 0 },
        { x: leg, y: 0 },
        { x: -leg * Math.tan(a), y: -leg },
      ],
      holes: [],
      bends: [],
      pose: { origin, along: { x: 0, y: -side, z: 0 }, up: { x: 0, y: 0, z: 1 } },
      goodFace: 'either',
      air: 'sheltered',
    }
    const weld: Pick<Joint, 'weld'> = { weld: { lengthMm: leg * 0.8, apartMm: PLATE_MM, allRound: false } }
    const joints: Joint[] = [
      { id: `weld:${id}:top`, kind: 'weld', between: [id, 'top'], at: { x: corner.x, y: inner - (side * leg) / 2, z: corner.z }, ...weld },
      { id: `weld:${id}:post`, kind: 'weld', between: [id, `post:${nameOf(side)}`], at: post(leg / 2), ...weld },
    ]
    return { plate, joints }
  })
  return { plates: made.map((m) => m.plate), joints: made.flatMap((m) => m.joints) }
}

/** Tabs for lamps, spread along the top bar, welded on its front face. */
export function lampTabs(p: GuardParams, s: GuardShape): { plates: Plate[]; joints: Joint[] } {
  const half = topHalf(p, s)
  const bar = profileSection(p.profileId)
  const made = Array.from({ length: p.lampTabs }, (_, i) => {
    const y = p.lampTabs === 1 ? 0 : half * 0.85 - (2 * half * 0.85 * i) / (p.lampTabs - 1)
    const id = `tab:${i}`
    const z = s.topZ + bar.heightMm / 2
    const plate: Plate = {
      id,
      mark: 'LT',
      name: 'Lamp tab',
      materialId: materialOf(profileOf(p.profileId).materialId).id,
      thicknessMm: 5,
      outline: rectangle(50, 60),
      holes: [{ at: { x: 0, y: 10 }, diameterMm: 10.5 }],
      bends: [],
      pose: { origin: { x: s.postX + bar.heightMm / 2, y, z: z + 10 }, along: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 } },
      goodFace: 'either',
      air: 'board',
    }
    const joint: Joint = {
      id: `weld:${id}`,
      kind: 'weld',
      between: [id, 'top'],
      at: { x: s.postX + bar.heightMm / 2, y, z },
      weld: { lengthMm: 40, apartMm: 5, allRound: false },
    }
    return { plate, joint }
  })
  return { plates: made.map((m) => m.plate), joints: made.map((m) => m.joint) }
}

/** Mesh or slats between the posts, from the sill bar to the top bar. */
export function infillOf(p: GuardParams, s: GuardShape): Infill[] {
  const sill = sillOf(p, s)
  if (!sill || p.fill === 'open') return []
  const bar = profileSection(p.profileId)
  const kind = p.fill === 'mesh' ? MESH : SLATS
  const [low, high] = [sill.z + bar.heightMm / 2, s.topZ - bar.heightMm / 2]
  const inner = (z: number) => sill.path[0].y + (z - sill.z) * -Math.tan(radians(s.leanDeg))
  const outline: Vec3[] = [
    { x: s.postX, y: inner(low), z: low },
    { x: s.postX, y: -inner(low), z: low },
    { x: s.postX, y: -inner(high), z: high },
    { x: s.postX, y: inner(high), z: high },
  ]
  const areaM2 = ((inner(low) + inner(high)) * (high - low)) / 1e6
  const round = 2 * (inner(low) + inner(high)) + 2 * (high - low)
  return [
    {
      id: 'fill',
      mark: 'IN',
      name: p.fill === 'mesh' ? 'Mesh' : 'Slats',
      kind: p.fill === 'mesh' ? 'mesh' : 'slats',
      on: ['sill', 'top', 'post:left', 'post:right'],
      outline,
      openShare: kind.openShare,
      massKg: areaM2 * ('wireKgM2' in kind ? kind.wireKgM2 : kind.kgM2),
      fixings: { what: p.fill === 'mesh' ? 'tacks' : 'screws', count: Math.ceil(round / kind.tackMm) },
      priceMinor: Math.round(areaM2 * kind.priceMinorM2),
    },
  ]
}

/** Rings along both base rails: the ring by its maker, its weld worked out, and what was made here has no maker to rate it. */
export function rings(p: GuardParams, s: GuardShape): AssemblyAnchor[] {
  const metal = materialOf(profileOf(p.baseProfileId).materialId)
  const filler = fillers[metal.group === 'aluminium' ? 'aluminium, 4043' : 'steel, 70 ksi electrode']
  const legMm = 4
  // two runs of 40 beside the ring's foot, throat and base metal
  const weldN =
    80 *
    Math.min(
      legMm * Math.SQRT1_2 * filler.allowedMPa,
      legMm *
        besideWeldMPa({ aluminium: metal.group === 'aluminium', tensileMPa: metal.tensileMPa, weldedTensileMPa: metal.weldedTensileMPa }),
    )
  const base = profileSection(p.baseProfileId)
  return p.ringsMm.flatMap((behind, i) =>
    sides.map((side): AssemblyAnchor => {
      const x = s.frontX - behind
      return {
        id: `ring:${i}:${nameOf(side)}`,
        name: `Ring ${i + 1}${L(side)}`,
        on: `base:${nameOf(side)}`,
        at: { x, y: side * s.half(x), z: s.baseZ + base.heightMm / 2 },
        kind: p.ringKind === 'ring' ? 'ring' : 'hook',
        links: [
          {
            part: 'ring',
            word: 'maker-rated',
            holdsN: p.ringKind === 'made here' ? null : p.ringN,
            source: p.ringKind === 'made here' ? 'made here: nobody rates it' : 'its maker',
          },
          { part: 'weld', word: 'calculated', holdsN: weldN, source: filler.source },
        ],
      }
    }),
  )
}
