import { type Assembly, type Plate, plateMassKg } from '../assembly/assembly'
import { boxOf } from '../assembly/places'
import { materialOf } from '../catalogue/materials'
import { sum } from '../figure/figure'
import { fingerprint } from '../fingerprint/fingerprint'
import { edgeOfHole, type Hole, holeAreaMm2, roundHoleMm } from '../geometry/hole'
import { areaMm2 } from '../geometry/polygon'
import { quarterTurn, type Turn } from '../geometry/quarterTurn'
import type { Point } from '../geometry/vec3'
import type { Rules } from '../rules/rules'
import { preparationMinor, type SheetOffcut } from '../stock/stock'
import { isCutHole } from '../workshop/cutHole'
import type { AcceptedSheets } from './acceptedSheets'
import { nestSheets } from './nestSheets'
import type { SheetNesting } from './sheetNesting'

const INCH = 25.4
/** Sizes on sale where sheet is sold by the metre and by the foot, mm. Priced by mass like the bars: simulated price list of our own. */
export const sheetSizes = {
  metric: [
    { id: '2000', width: 2000, height: 1000 },
    { id: '2500', width: 2500, height: 1250 },
    { id: '3000', width: 3000, height: 1500 },
  ],
  inch: [
    { id: '96', width: 96 * INCH, height: 48 * INCH },
    { id: '120', width: 120 * INCH, height: 48 * INCH },
    { id: '120 wide', width: 120 * INCH, height: 60 * INCH },
  ],
}
/** A sheet that the parts may lie on: one on sale, or one that was begun and stands on the rack. mm, minor units */
export type SheetOnHand = { id: string; width: number; height: number; price: number; offcut: SheetOffcut | null }
export const sheetOf = (g: Pick<SheetGroup, 'sheets'>, id: string): SheetOnHand =>
  g.sheets.find((s) => s.id === id) ?? { id, width: 0, height: 0, price: 0, offcut: null }

/** Flat parts of one kind: what is cut alike stands together, each with its own mark. */
export type FlatKind = {
  /** by which it is known again: another edge, hole or fold gives another */
  key: string
  plate: Plate
  marks: string[]
  massEachKg: number
  cutMm: number
  pierces: number
  flatMm: Point
  /** holes too small for the table: their middles are marked on it, and they are drilled after */
  drilled: Hole[]
}
/** All flat parts of one metal and thickness on their sheets. Price in minor units. */
export type SheetGroup = {
  materialId: string
  material: string
  thicknessMm: number
  kinds: FlatKind[]
  sheets: SheetOnHand[]
  nest: SheetNesting
  priceMinor: number
  /** whether these are the sheets that were accepted; moved = some were, and its parts have changed since */
  standing: 'open' | 'accepted' | 'moved'
}

/** Its marks, each once: alike parts may carry one mark between them. */
export const marksOf = (k: FlatKind): string => [...new Set(k.marks)].join(', ')

/**
 * How often a better nest of a job is tried, over its pieces: screen, print and file for the table show the same one. The time only ends what would never end.
 */
const TRIES = { most: 500, pieces: 10_000 }
const NEST_MS = 30_000

const rounded = (p: Point): [number, number] => [Math.round(p.x * 10), Math.round(p.y * 10)]

/** Every flat part as it is cut, alike ones together in the order they are drawn. Length of cut along outline and holes that are cut; a pierce for each of them. mm, kg */
export function flatKinds(assembly: Assembly, rules: Pick<Rules, 'cutHoleT'>): FlatKind[] {
  const kinds = new Map<string, FlatKind>()
  for (const p of assembly.plates) {
    const key = JSON.stringify([
      p.name,
      p.materialId,
      p.thicknessMm,
      p.outline.map(rounded),
      p.holes.map((h) => [rounded(h.at), h.diameterMm, h.slot?.lengthMm, h.slot?.turnDeg, h.edge?.map(rounded)]),
      p.bends.map((b) => [b.line.map(rounded), Math.round(b.angleDeg * 10), b.side]),
    ])
    const known = kinds.get(key)
    if (known) {
      // what is counted under one mark is cut as often
      known.marks.push(p.mark)
      continue
    }
    const round = p.outline.reduce((s, a, i) => {
      const b = p.outline[(i + 1) % p.outline.length]!
      return s + Math.hypot(a.x - b.x, a.y - b.y)
    }, 0)
    const cut = p.holes.filter((h) => isCutHole(h, p.thicknessMm, rules))
    kinds.set(key, {
      key: fingerprint(key),
      plate: p,
      marks: [p.mark],
      massEachKg: plateMassKg(p),
      flatMm: (({ x, y }) => ({ x, y }))(boxOf(p.outline.map(({ x, y }) => ({ x, y, z: 0 }))).size),
      cutMm: round + cut.reduce((s, h) => s + roundHoleMm(h), 0),
      pierces: 1 + cut.length,
      drilled: p.holes.filter((h) => !cut.includes(h)),
    })
  }
  return [...kinds.values()]
}

const pair = (p: Point): [number, number] => [p.x, p.y]
/** What falls out of it that another part could be cut from. */
const roomInside = (k: FlatKind, leastMm2: number): { cutOuts?: [number, number][][] } => {
  const large = k.plate.holes.filter((h) => holeAreaMm2(h) > leastMm2)
  return large.length ? { cutOuts: large.map((h) => edgeOfHole(h).map(pair)) } : {}
}

/** Sheets of one thickness are alike within this. mm */
const SAME_MM = 0.05

/** The flat parts of a job on sheets, each metal and thickness by itself, begun sheets first, for they cost no more than to be cleaned; the same job on the same rack always gives the same sheets. */
export function planSheets(
  assembly: Assembly,
  {
    rules,
    system,
    begun,
    accepted = null,
  }: { rules: Rules; system: keyof typeof sheetSizes; begun: SheetOffcut[]; accepted?: AcceptedSheets | null },
  now: () => number,
): SheetGroup[] {
  const groups = new Map<string, FlatKind[]>()
  for (const k of flatKinds(assembly, rules)) {
    const key = `${k.plate.materialId} ${k.plate.thicknessMm}`
    groups.set(key, [...(groups.get(key) ?? []), k])
  }
  return [...groups.values()].map((kinds): SheetGroup => {
    const { materialId, thicknessMm } = kinds[0]!.plate
    const material = materialOf(materialId)
    const kept = accepted?.groups.find((g) => isSameWork(g, kinds))
    if (kept)
      return {
        materialId,
        material: material.name,
        thicknessMm,
        kinds,
        sheets: kept.sheets,
        nest: kept.nest,
        priceMinor: kept.nest.cost,
        standing: 'accepted',
      }
    const onSale = sheetSizes[system].map((s) => ({
      ...s,
      price: Math.round((s.width * s.height * thicknessMm * material.densityKgM3 * material.pricePerKgMinor) / 1e9),
      offcut: null,
    }))
    const mine = begun.flatMap((offcut): SheetOnHand[] => {
      const price = preparationMinor(offcut.grade, rules)
      const fits = offcut.materialId === materialId && Math.abs(offcut.thicknessMm - thicknessMm) <= SAME_MM && offcut.quantity > 0
      return fits && price !== null ? [{ id: `begun ${offcut.id}`, width: offcut.lengthMm, height: offcut.widthMm, price, offcut }] : []
    })
    const sheets = [...mine, ...onSale]
    const smallestMm2 = Math.min(...kinds.map((k) => areaMm2(k.plate.outline)))
    const parts = kinds.map((k, i) => ({
      id: String(i),
      outline: k.plate.outline.map(pair),
      ...roomInside(k, smallestMm2),
      quantity: k.marks.length,
      mayRotate: true,
    }))
    const nest = nestSheets(
      {
        sheets: sheets.map(({ offcut, ...s }) => ({ ...s, quantity: offcut?.quantity ?? null })),
        parts,
        gap: rules.sheetGapMm,
        edge: rules.sheetEdgeMm,
        timeLimitMs: NEST_MS,
      },
      { now, tries: Math.ceil(Math.min(TRIES.most, TRIES.pieces / Math.max(1, sum(kinds.map((k) => k.marks.length))))) },
    )
    return {
      materialId,
      material: material.name,
      thicknessMm,
      kinds,
      sheets,
      nest,
      priceMinor: nest.cost,
      standing: accepted ? 'moved' : 'open',
    }
  })
}

/** How often each kind is cut, each by its mark. */
const partsOf = (kinds: FlatKind[]): string[] => kinds.map((k) => `${k.key}×${k.marks.length}`)
const isSameWork = (g: AcceptedSheets['groups'][number], kinds: FlatKind[]): boolean => {
  const parts = partsOf(kinds)
  const laid = g.nest.sheets.flatMap((s) => s.placements)
  return (
    g.parts.length === parts.length &&
    g.parts.every((p, i) => p === parts[i]) &&
    // as often as they are cut, on sheets that are named: a file may say anything
    laid.length === sum(kinds.map((k) => k.marks.length)) &&
    kinds.every((k, i) => laid.filter((at) => at.partId === String(i)).length === k.marks.length) &&
    g.nest.sheets.every((s) => g.sheets.some((x) => x.id === s.sheetId))
  )
}

/** The sheets of a job as they are accepted; only those that are used are kept. */
export const acceptedFrom = (groups: SheetGroup[], how: Pick<AcceptedSheets, 'on' | 'cut' | 'reason'>): AcceptedSheets => ({
  ...how,
  groups: groups.map((g) => ({
    materialId: g.materialId,
    thicknessMm: g.thicknessMm,
    parts: partsOf(g.kinds),
    sheets: g.sheets.filter((s) => g.nest.sheets.some((n) => n.sheetId === s.id)),
    nest: g.nest,
  })),
})
/** Whether all that was accepted still stands: no part has changed, come or gone since. */
export const stillStands = (accepted: AcceptedSheets, groups: SheetGroup[]): boolean =>
  groups.length === accepted.groups.length && groups.every((g) => g.standing === 'accepted')

/** Where the corners of a part come to lie on its sheet. mm */
function laidOn(k: FlatKind, at: { x: number; y: number; turn: Turn }): (p: Point) => Point {
  const { centre, size } = boxOf(k.plate.outline.map(({ x, y }) => ({ x, y, z: 0 })))
  const across = at.turn % 180 !== 0
  const middle = { x: at.x + (across ? size.y : size.x) / 2, y: at.y + (across ? size.x : size.y) / 2 }
  return (p) => {
    const { x, y } = quarterTurn[at.turn]({ x: p.x - centre.x, y: p.y - centre.y })
    return { x: middle.x + x, y: middle.y + y }
  }
}

/** A flat part where it lies: which sheet of its group, its mark, the place of each of its points, and how far it is turned to the left. */
export type LaidPart = { sheet: number; plate: Plate; mark: string; on: (p: Point) => Point; turn: Turn }

/** Every part of a group as it lies on its sheets, alike ones by their marks in turn. */
export function laidParts(g: SheetGroup): LaidPart[] {
  const next = new Map<string, number>()
  return g.nest.sheets.flatMap((s, sheet) =>
    s.placements.map((at): LaidPart => {
      const kind = g.kinds[Number(at.partId)]!
      const n = next.get(at.partId) ?? 0
      next.set(at.partId, n + 1)
      return { sheet, plate: kind.plate, mark: kind.marks[n] ?? kind.marks[0]!, on: laidOn(kind, at), turn: at.turn }
    }),
  )
}
