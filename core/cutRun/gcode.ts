import type { Point } from '../geometry/vec3'
import { middleOfArc, type PathPoint } from './contour'
import type { CutRun, RunCut } from './cutRun'

const n = (v: number): string => {
  const text = v.toFixed(3).replace(/\.?0+$/, '')
  return text === '-0' ? '0' : text
}
/** Remarks stand in brackets, which may hold none, and in plain letters: controllers read no others. */
const remark = (text: string): string =>
  `(${text
    .normalize('NFKD')
    .replace(/[^\x20-\x7e]/g, '')
    .replace(/[()]/g, '')})`

/**
 * The run as a program of ISO 6983 (G-code): millimetres, absolute, torch on by M3 and off by M5, a pause by G4 in seconds for each pierce. Torch height and gas are
 * the table's own.
 */
export function gcodeOf(run: CutRun, cut: RunCut, title: string): string {
  const lines = [
    '%',
    remark(title),
    remark(`kerf ${n(cut.kerfMm)} mm is in the path: no compensation at the table`),
    'G21 G90 G40',
    remark('zero: lower left corner of the sheet; arcs: I and J from where they begin; G4 P in seconds'),
  ]
  for (const x of run.spots) lines.push(remark(`LOOK ${x.mark}: ${x.says.replace(/\{(?:g )?([^}]*)\}/g, '$1 mm')}`))
  for (const [i, p] of run.passes.entries()) {
    lines.push(remark(`${i + 1} ${p.mark} ${p.what}`), `G0 X${n(p.pierce.x)} Y${n(p.pierce.y)}`, 'M3', `G4 P${n(cut.pierceS)}`)
    lines.push(`G1 X${n(p.path[0]!.x)} Y${n(p.path[0]!.y)} F${n(cut.feedMmMin)}`)
    for (const [k, a] of p.path.entries()) lines.push(stretch(a, p.path[(k + 1) % p.path.length]!))
    lines.push('M5')
  }
  return `${[...lines, 'G0 X0 Y0', 'M30', '%'].join('\n')}\n`
}

/** Straight, or an arc by its middle seen from where it begins: G2 clockwise, G3 counter-clockwise. */
function stretch(a: PathPoint, b: Point): string {
  if (!a.bulge) return `G1 X${n(b.x)} Y${n(b.y)}`
  const m = middleOfArc(a, b, a.bulge)
  return `G${a.bulge > 0 ? 3 : 2} X${n(b.x)} Y${n(b.y)} I${n(m.x - a.x)} J${n(m.y - a.y)}`
}
