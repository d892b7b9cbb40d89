import { type Assembly, type EndTreatment, emptyAssembly, type Joint } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { familyOf } from '../families/all'
import type { Design, ListedFamily } from '../families/design'
import type { Site } from '../families/family'
import type { Issue } from '../issue/issue'
import { vehicleSupports } from '../places/vehicleSupports'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { type Piece, pieceName } from './piece'
import { piecesThatMeet } from './piecesThatMeet'

/** One piece as it was put together: its parts under their names in the whole, or why there are none. */
export type Built = {
  piece: Piece
  index: number
  family: ListedFamily | null
  site: Site
  design: Design | null
  assembly: Assembly
  issues: Issue[]
}
/** All pieces in one: ids and marks are the piece's, what stands on another piece is joined to it, and what the vehicle itself carries things on is there too. */
export type Whole = { assembly: Assembly; built: Built[]; issues: Issue[] }

type Given = { pieces: Piece[]; vehicle: Vehicle; brief: Brief }

export function wholeOf({ pieces, vehicle, brief }: Given, rules: Rules): Whole {
  const done = new Map<string, Built>()
  const build = (piece: Piece, above: string[]): Built => {
    const known = done.get(piece.id)
    const b = known ?? fresh(piece, above)
    done.set(piece.id, b)
    return b
  }
  const fresh = (piece: Piece, above: string[]): Built => {
    const index = pieces.indexOf(piece)
    const at = ['pieces', index]
    const family = familyOf(piece.family)
    const name = pieceName(piece)
    const site: Site = { vehicle, brief, rules, below: null, state: piece.state }
    const none = (issues: Issue[], design: Design | null = null): Built => ({
      piece,
      index,
      family,
      site,
      design,
      assembly: emptyAssembly,
      issues,
    })
    const under = piece.on === null ? null : (pieces.find((p) => p.id === piece.on) ?? undefined)
    if (!family) return none([{ code: 'piece_unknown', at, fix: null, piece: name, family: piece.family }])
    if (piece.state === 'off') return none([], family.design(piece.params, site))
    if (under === undefined)
      return none([{ code: 'piece_on_gone', at, fix: [{ path: [...at, 'on'], to: null }], piece: name }], family.design(piece.params, site))
    if (under && (above.includes(under.id) || under.id === piece.id))
      return none(
        [{ code: 'piece_circle', at, fix: [{ path: [...at, 'on'], to: null }], piece: name, other: pieceName(under) }],
        family.design(piece.params, site),
      )
    const below = under ? build(under, [...above, piece.id]) : null
    if (below && !below.assembly.members.length && !below.assembly.fittings.length && !below.assembly.mounts.length)
      return none(
        [{ code: 'piece_on_nothing', at, fix: null, piece: name, other: pieceName(below.piece) }],
        family.design(piece.params, { ...site, below: emptyAssembly }),
      )
    const full: Site = { ...site, below: below?.assembly ?? null }
    const misfit = family.fits(full)
    const design = family.design(piece.params, full)
    const { assembly, issues } = design.assembled()
    return {
      ...none([], design),
      site: full,
      assembly: named(assembly, piece),
      issues: [
        ...(misfit ? [{ code: 'piece_does_not_fit', at, fix: null, piece: name, says: misfit } satisfies Issue] : []),
        ...issues.map((i) => inPiece(i, index)),
      ],
    }
  }
  const built = pieces.map((p) => build(p, []))
  const assembly = together([...built.map((b) => b.assembly), { ...emptyAssembly, supports: vehicleSupports(vehicle) }])
  return { assembly, built, issues: [...built.flatMap((b) => b.issues), ...piecesThatMeet(built)] }
}

/** The part of the whole that is one piece, and nothing of the others. */
export const ofPiece = (whole: Whole, pieceId: string): Assembly =>
  whole.built.find((b) => b.piece.id === pieceId)?.assembly ?? emptyAssembly

export const together = (all: Assembly[]): Assembly => ({
  members: all.flatMap((a) => a.members),
  plates: all.flatMap((a) => a.plates),
  fittings: all.flatMap((a) => a.fittings),
  joints: all.flatMap((a) => a.joints),
  hardware: all.flatMap((a) => a.hardware),
  mounts: all.flatMap((a) => a.mounts),
  supports: all.flatMap((a) => a.supports),
  anchors: all.flatMap((a) => a.anchors),
  pulls: all.flatMap((a) => a.pulls),
  infills: all.flatMap((a) => a.infills),
  motions: all.flatMap((a) => a.motions),
  dimensions: all.flatMap((a) => a.dimensions),
  checks: all.flatMap((a) => a.checks),
})

/** Ids and marks as they are in the whole. An id that already names its piece is another piece's: a joint to what this one stands on. */
function named(a: Assembly, piece: Piece): Assembly {
  const id = (own: string): string => (own.includes('/') ? own : `${piece.id}/${own}`)
  const mark = (own: string): string => (piece.letter ? `${piece.letter}-${own}` : own)
  const boltsOf = (b: NonNullable<Joint['bolts']>): NonNullable<Joint['bolts']> => ({
    ...b,
    ...(b.into ? { into: id(b.into) } : {}),
    ...(b.goesOn ? { goesOn: id(b.goesOn) } : {}),
    ...(b.heads ? { heads: b.heads.map((h) => ({ ...h, on: id(h.on) })) } : {}),
  })
  const both = <T extends { id: string; mark: string }>(part: T): T => ({ ...part, id: id(part.id), mark: mark(part.mark) })
  return {
    members: a.members.map((m) => {
      const end = (e: EndTreatment): EndTreatment => (e.kind === 'cope' ? { ...e, onto: id(e.onto) } : e)
      return { ...both(m), ends: [end(m.ends[0]), end(m.ends[1])] }
    }),
    plates: a.plates.map(both),
    fittings: a.fittings.map((f) => ({ ...both(f), ...(f.around ? { around: f.around.map(id) } : {}) })),
    joints: a.joints.map(
      (j): Joint => ({
        ...j,
        ...(j.kind === 'weld' && piece.flushSeams?.includes(j.id) ? { flush: true } : {}),
        id: id(j.id),
        between: [id(j.between[0]), id(j.between[1])],
        ...(j.bolts ? { bolts: boltsOf(j.bolts) } : {}),
        ...(j.gusset ? { gusset: { ...j.gusset, plateId: id(j.gusset.plateId) } } : {}),
      }),
    ),
    hardware: a.hardware,
    mounts: a.mounts.map((m) => ({ ...both(m), on: id(m.on), via: m.via === null ? null : id(m.via) })),
    supports: a.supports.map((s) => ({
      ...s,
      id: id(s.id),
      bearings: s.bearings.map((b) => ({ ...b, on: b.on === null ? null : id(b.on) })),
      ...(s.panels
        ? { panels: s.panels.map((p) => ({ ...p, part: id(p.part), ...(p.ribs ? { ribs: { ...p.ribs, part: id(p.ribs.part) } } : {}) })) }
        : {}),
      ...(s.encloses ? { encloses: { ...s.encloses, lid: { joints: s.encloses.lid.joints.map(id) } } } : {}),
      walkOn: s.walkOn.map(id),
      climbOn: s.climbOn.map(id),
    })),
    anchors: a.anchors.map((x) => ({ ...x, id: id(x.id), on: id(x.on) })),
    pulls: a.pulls.map((x) => ({ ...x, id: id(x.id), on: id(x.on) })),
    infills: a.infills.map((i) => ({ ...both(i), on: i.on.map(id) })),
    motions: a.motions.map((m) => ({
      ...m,
      id: id(m.id),
      moves: m.moves.map(id),
      ...(m.after ? { after: id(m.after) } : {}),
      ...(m.pulledOut ? { pulledOut: { ...m.pulledOut, supportId: id(m.pulledOut.supportId) } } : {}),
    })),
    checks: a.checks,
    dimensions: a.dimensions.map((d) => ({
      ...d,
      id: id(d.id),
      ...(d.ref ? { ref: id(d.ref) } : {}),
      ...(d.edits ? { edits: { ...d.edits, figure: id(d.edits.figure) } } : {}),
    })),
  }
}

const inPiece = (i: Issue, index: number): Issue => {
  const at = (path: (string | number)[]) => (path[0] === 'params' ? ['pieces', index, ...path] : path)
  return { ...i, at: at(i.at), fix: i.fix?.map((f) => ({ ...f, path: at(f.path) })) ?? null }
}
