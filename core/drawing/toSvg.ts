import type { Point } from '../geometry/vec3'
import { type DisplayUnits, METRIC } from '../quantity/units'
import { dimensionText } from './dimensionText'
import { balloonRadius, dimensionLines, type Entity, pointsOf, type Sheet } from './sheet'

export const escapeXml = (text: string): string =>
  text.replace(/[&<>"']/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[c] ?? c)

/**
 * A drawing as SVG text in millimetres, full size, in one ink; `lines` of text would fill its width. y runs down there, up here. As a file of its own it
 * carries its real size and a frame that nothing leaves; set into a page it takes the size that the page gives it.
 */
export function toSvg(sheet: Sheet, units: DisplayUnits = METRIC, lines = 40, alone = false): string {
  const textMm = Math.max(8, (sheet.box.max.x - sheet.box.min.x) / lines)
  const { min, max } = alone ? frameOf(sheet.entities.flatMap((e) => drawnBy(e, textMm))) : sheet.box
  const pad = alone ? textMm : textMm * 3
  const [w, h] = [max.x - min.x + 2 * pad, max.y - min.y + 2 * pad]
  const body = sheet.entities.map((e) => element(e, textMm, units)).join('\n')
  const size = alone ? ` width="${n(w)}mm" height="${n(h)}mm" overflow="hidden" font-family="Barlow, sans-serif"` : ''
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${n(min.x - pad)} ${n(-max.y - pad)} ${n(w)} ${n(h)}"${size} fill="none" stroke="currentColor" stroke-width="${n(textMm / 9)}" role="img"><title>${escapeXml(sheet.title)}</title>
${body}
</svg>`
}

/** Letters of our face are about half as wide as they are high. */
const LETTER = 0.6
/** Where ink of an entity may stand, text and dimension lines with it. */
function drawnBy(e: Entity, textMm: number): Point[] {
  const wide = (text: string) => text.length * textMm * LETTER
  const round = (p: Point, dx: number, dy: number) => [
    { x: p.x - dx, y: p.y - dy },
    { x: p.x + dx, y: p.y + dy },
  ]
  if (e.kind === 'dimension') {
    const d = dimensionLines(e, textMm)
    const half = wide(`${e.label ?? ''} 000 00/00`) / 2
    return [...d.lines.flat(), ...(d.angleDeg ? round(d.text, textMm, half) : round(d.text, half, textMm))]
  }
  if (e.kind === 'text') return round(e.at, e.anchor === 'middle' ? wide(e.text) / 2 : wide(e.text), textMm)
  if (e.kind === 'balloon') return round(e.at, textMm * balloonRadius(e.text), textMm * balloonRadius(e.text))
  if (e.kind === 'circle') return round(e.centre, e.radius, e.radius)
  return pointsOf(e)
}
const frameOf = (points: Point[]): { min: Point; max: Point } => ({
  min: { x: Math.min(...points.map((p) => p.x)), y: Math.min(...points.map((p) => p.y)) },
  max: { x: Math.max(...points.map((p) => p.x)), y: Math.max(...points.map((p) => p.y)) },
})

const n = (v: number): string => String(Math.round(v * 100) / 100 + 0)
const pair = (p: Point): string => `${n(p.x)},${n(-p.y)}`
/** One ink: what is likeness only is faint in it. */
const faint = (e: Entity): string => (e.layer === 'likeness' ? ' stroke-opacity="0.35"' : '')
const named = (e: Entity): string => `${e.ref ? ` data-part="${escapeXml(e.ref)}"` : ''}${faint(e)}`

function element(e: Entity, textMm: number, units: DisplayUnits): string {
  switch (e.kind) {
    case 'line':
      return `<line${named(e)} x1="${n(e.from.x)}" y1="${n(-e.from.y)}" x2="${n(e.to.x)}" y2="${n(-e.to.y)}"${dash(e.dashed, textMm)}/>`
    case 'polygon':
      return `<${e.closed ? 'polygon' : 'polyline'}${named(e)} points="${e.points.map(pair).join(' ')}"${dash(e.dashed, textMm)}/>`
    case 'circle':
      return `<circle${named(e)} cx="${n(e.centre.x)}" cy="${n(-e.centre.y)}" r="${n(e.radius)}"/>`
    case 'text':
      return words(e.at, e.text, textMm, e.anchor, named(e))
    case 'balloon':
      return `<g${named(e)}><circle cx="${n(e.at.x)}" cy="${n(-e.at.y)}" r="${n(textMm * balloonRadius(e.text))}" fill="#fff"/>${words({ x: e.at.x, y: e.at.y - textMm * 0.35 }, e.text, textMm, 'middle', '')}</g>`
    case 'dimension': {
      const d = dimensionLines(e, textMm)
      const lines = d.lines.map(([a, b]) => `<line x1="${n(a.x)}" y1="${n(-a.y)}" x2="${n(b.x)}" y2="${n(-b.y)}"/>`).join('')
      const text = dimensionText(e, units)
      return `<g${named(e)}>${lines}${words(d.text, text, textMm, 'middle', '', d.angleDeg)}</g>`
    }
  }
}

const dash = (dashed: boolean | undefined, textMm: number): string =>
  dashed ? ` stroke-dasharray="${n(textMm * 0.6)} ${n(textMm * 0.4)}"` : ''
const words = (p: Point, text: string, sizeMm: number, anchor: 'start' | 'middle' | 'end', more: string, angleDeg = 0): string =>
  `<text${more} x="${n(p.x)}" y="${n(-p.y)}" font-size="${n(sizeMm)}" text-anchor="${anchor}" fill="currentColor" stroke="none"${angleDeg ? ` transform="rotate(-90 ${n(p.x)} ${n(-p.y)})"` : ''}>${escapeXml(text)}</text>`
