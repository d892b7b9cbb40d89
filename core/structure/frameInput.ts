import { z } from 'zod'
import { buildFrame } from './frame'
import type { FrameMember, FrameNode } from './frameMember'
import type { FrameResult } from './solved'

const mm = z.number().min(-1e6).max(1e6)
const force = z.number().min(-1e9).max(1e9)
const triple = z.tuple([force, force, force])
const six = z.tuple([z.boolean(), z.boolean(), z.boolean(), z.boolean(), z.boolean(), z.boolean()])
const stiffness = z.number().min(0).max(1e15)
const section = (what: string) => z.number().positive(`${what} must be more than 0: a member without it carries nothing`).max(1e12)
export const MOST_MEMBERS = 2000

/** The contract of the frame calculator: mm, N, MPa, degrees; what a member or node has besides is optional. */
export const FrameInput = z
  .object({
    nodes: z
      .array(
        z.object({
          id: z.string().min(1).max(60),
          x: mm,
          y: mm,
          z: mm,
          fixed: six,
          /** N/mm along, N·mm/rad about x y z */
          springs: z.tuple([stiffness, stiffness, stiffness, stiffness, stiffness, stiffness]).optional(),
        }),
      )
      .min(2, 'a frame has two nodes or more')
      .max(MOST_MEMBERS),
    members: z
      .array(
        z.object({
          id: z.string().min(1).max(60),
          from: z.string().max(60),
          to: z.string().max(60),
          section: z.object({ A: section('A'), Iy: section('Iy'), Iz: section('Iz'), J: section('J') }),
          material: z.object({ E: section('E'), G: section('G') }),
          roll: z.number().min(-360).max(360).default(0),
          /** what each end does not pass on, along and about the member's own x y z */
          releases: z.object({ from: six, to: six }).optional(),
          /** rigid arms from each node to the member's end, global mm */
          offsets: z.object({ from: z.tuple([mm, mm, mm]), to: z.tuple([mm, mm, mm]) }).optional(),
        }),
      )
      .min(1, 'a frame has one member or more')
      .max(MOST_MEMBERS),
    loads: z.object({
      nodes: z
        .array(z.object({ node: z.string().max(60), force: triple.default([0, 0, 0]), moment: triple.default([0, 0, 0]) }))
        .max(5000)
        .default([]),
      members: z
        .array(
          z.object({
            member: z.string().max(60),
            uniform: triple.optional(),
            from: z.number().min(0).max(1e6).optional(),
            to: z.number().min(0).max(1e6).optional(),
            points: z
              .array(z.object({ at: z.number().min(0).max(1e6), force: triple }))
              .max(200)
              .optional(),
          }),
        )
        .max(5000)
        .default([]),
    }),
  })
  .superRefine((v, ctx) => {
    const fault = (path: (string | number)[], message: string) => ctx.addIssue({ code: 'custom', path, message })
    const nodes = new Map(v.nodes.map((n) => [n.id, n]))
    const members = new Set<string>()
    v.nodes.forEach((n, i) => {
      if (nodes.get(n.id) !== n) fault(['nodes', i, 'id'], `“${n.id}” is used twice: every node needs its own`)
    })
    v.members.forEach((m, i) => {
      if (members.has(m.id)) fault(['members', i, 'id'], `“${m.id}” is used twice: every member needs its own`)
      members.add(m.id)
      for (const end of ['from', 'to'] as const)
        if (!nodes.has(m[end])) fault(['members', i, end], `there is no node “${m[end]}”: add it or name another`)
      const [a, b] = [nodes.get(m.from), nodes.get(m.to)]
      const [oa, ob] = [m.offsets?.from ?? [0, 0, 0], m.offsets?.to ?? [0, 0, 0]]
      if (a && b && Math.hypot(a.x + oa[0]! - b.x - ob[0]!, a.y + oa[1]! - b.y - ob[1]!, a.z + oa[2]! - b.z - ob[2]!) < 1e-6)
        fault(['members', i, 'to'], 'its two ends lie at one place: move one of them')
    })
    v.loads.nodes.forEach((l, i) => {
      if (!nodes.has(l.node)) fault(['loads', 'nodes', i, 'node'], `there is no node “${l.node}”: add it or name another`)
    })
    v.loads.members.forEach((l, i) => {
      if (!members.has(l.member)) fault(['loads', 'members', i, 'member'], `there is no member “${l.member}”: add it or name another`)
      if ((l.to ?? Number.POSITIVE_INFINITY) < (l.from ?? 0)) fault(['loads', 'members', i, 'to'], 'lies before “from”: swap them')
    })
  })
export type FrameInput = z.infer<typeof FrameInput>

/** Builds and solves one loaded frame. Throws `Impossible` when it is unstable. */
export function solveFrame(given: FrameInput): FrameResult {
  const frame = buildFrame(given.nodes as FrameNode[], given.members as FrameMember[])
  const length = new Map(given.members.map((m) => [m.id, frameLength(given, m)]))
  // a load past the end of a member acts on its end
  const members = given.loads.members.map((l) => {
    const most = length.get(l.member) ?? 0
    return {
      ...l,
      from: Math.min(l.from ?? 0, most),
      to: Math.min(l.to ?? most, most),
      points: l.points?.map((p) => ({ ...p, at: Math.min(p.at, most) })),
    }
  })
  return frame.result({ nodes: given.loads.nodes, members })
}

function frameLength(given: FrameInput, m: FrameInput['members'][number]): number {
  const place = (id: string, o: readonly number[] = [0, 0, 0]) => {
    const n = given.nodes.find((x) => x.id === id)
    return [(n?.x ?? 0) + o[0]!, (n?.y ?? 0) + o[1]!, (n?.z ?? 0) + o[2]!]
  }
  const [a, b] = [place(m.from, m.offsets?.from), place(m.to, m.offsets?.to)]
  return Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!)
}

const free: [boolean, boolean, boolean, boolean, boolean, boolean] = [false, false, false, false, false, false]
const held: typeof free = [true, true, true, true, true, true]
const tube = { A: 430, Iy: 97_000, Iz: 97_000, J: 150_000 }
const steel = { E: 210_000, G: 81_000 }
/** A portal of square tube with a sideways pull, held at both feet. */
export const frameExample: z.input<typeof FrameInput> = {
  nodes: [
    { id: 'left foot', x: 0, y: 800, z: 0, fixed: held },
    { id: 'left top', x: 0, y: 800, z: 500, fixed: free },
    { id: 'right top', x: 0, y: -800, z: 500, fixed: free },
    { id: 'right foot', x: 0, y: -800, z: 0, fixed: held },
  ],
  members: [
    { id: 'left post', from: 'left foot', to: 'left top', section: tube, material: steel, roll: 0 },
    { id: 'top bar', from: 'left top', to: 'right top', section: tube, material: steel, roll: 0 },
    { id: 'right post', from: 'right top', to: 'right foot', section: tube, material: steel, roll: 0 },
  ],
  loads: { nodes: [{ node: 'left top', force: [0, -500, 0], moment: [0, 0, 0] }], members: [{ member: 'top bar', uniform: [0, 0, -0.6] }] },
}
