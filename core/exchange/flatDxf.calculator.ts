import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'
import { holeAreaMm2, roundHoleMm } from '../geometry/hole'
import { areaMm2 } from '../geometry/polygon'
import { MAX_FILE_BYTES } from '../issue/faults'
import { Impossible } from '../issue/impossible'
import { readFlatDxf } from './flatDxf'

/** A plate of 120 × 80 with a hole of 11, as a file says it. */
const PLATE = [
  ...['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', '4', '0', 'ENDSEC', '0', 'SECTION', '2', 'ENTITIES'],
  ...[
    '0',
    'LWPOLYLINE',
    '8',
    'CUT',
    '90',
    '4',
    '70',
    '1',
    '10',
    '0',
    '20',
    '0',
    '10',
    '120',
    '20',
    '0',
    '10',
    '120',
    '20',
    '80',
    '10',
    '0',
    '20',
    '80',
  ],
  ...['0', 'CIRCLE', '8', 'CUT', '10', '30', '20', '40', '40', '5.5', '0', 'ENDSEC', '0', 'EOF', ''],
].join('\n')

export const flatDxfCalculator = calculator({
  name: 'flat-dxf',
  title: 'Flat part from a DXF',
  about: 'What a drawing made elsewhere is as a flat part: its size, area, cut length and pierces, and what of it was left out.',
  formula: 'A = A₀ − Σ Aᵢ; L = L₀ + Σ Lᵢ',
  source: 'DXF reference, LWPOLYLINE, ARC, CIRCLE, ELLIPSE, SPLINE, $INSUNITS; area by the shoelace formula',
  input: z.object({
    dxf: z.string().min(1).max(MAX_FILE_BYTES).meta({ title: 'The file as text' }),
    unit: z.enum(['as the file says', 'mm', 'inch']).default('as the file says').meta({ title: 'Its lengths are' }),
  }),
  output: z.object({
    lengthMm: number,
    widthMm: number,
    areaMm2: number,
    cutMm: number,
    pierces: number,
    roundHolesMm: z.array(number),
    notes: z.array(z.string()),
  }),
  example: { dxf: PLATE, unit: 'as the file says' },
  run: ({ dxf, unit }) => {
    const read = readFlatDxf('part', dxf, unit === 'mm' || unit === 'inch' ? unit : null)
    const plain = (text: string) => text.replace(/\{(?:g )?([^}]*)\}/g, '$1 mm')
    if (!read.drawn) throw new Impossible(read.faults.map((f) => plain(`${f.where}: ${f.expected}`)).join('; '))
    const { outline, holes } = read.drawn
    const round = outline.reduce(
      (s, a, i) => s + Math.hypot(a.x - outline[(i + 1) % outline.length]!.x, a.y - outline[(i + 1) % outline.length]!.y),
      0,
    )
    return {
      lengthMm: Math.max(...outline.map((q) => q.x)),
      widthMm: Math.max(...outline.map((q) => q.y)),
      areaMm2: areaMm2(outline) - holes.reduce((s, h) => s + holeAreaMm2(h), 0),
      cutMm: round + holes.reduce((s, h) => s + roundHoleMm(h), 0),
      pierces: 1 + holes.length,
      roundHolesMm: holes.filter((h) => !h.slot && !h.edge).map((h) => h.diameterMm),
      notes: read.notes.map(plain),
    }
  },
})
