import { materialOf, materials } from './materials'
import { type Section, type Shape, sectionOf } from './section'

/** A bar as the merchant sells it: one shape in one metal. Ids are stable: jobs and stock refer to them. */
export type Profile = { id: string; name: string; shape: Shape; materialId: string }

const shapes: { id: string; name: string; shape: Shape; metals: string[] }[] = [
  {
    id: 'round-25x2',
    name: 'Round tube 25 × 2',
    shape: { kind: 'round', outsideDiameterMm: 25, wallMm: 2 },
    metals: ['steel', 'stainless', 'al6061t6'],
  },
  {
    id: 'round-32x2',
    name: 'Round tube 32 × 2',
    shape: { kind: 'round', outsideDiameterMm: 32, wallMm: 2 },
    metals: ['steel', 'stainless', 'al6061t6'],
  },
  {
    id: 'round-42x3',
    name: 'Round tube 42.4 × 3 (pipe 1 1/4)',
    shape: { kind: 'round', outsideDiameterMm: 42.4, wallMm: 3 },
    metals: ['steel', 'stainless', 'al6061t6'],
  },
  {
    id: 'square-30x2',
    name: 'Square tube 30 × 2',
    shape: { kind: 'rectangular', heightMm: 30, widthMm: 30, wallMm: 2, outsideRadiusMm: 4 },
    metals: ['steel', 'stainless', 'al6063t6'],
  },
  {
    id: 'square-40x3',
    name: 'Square tube 40 × 3',
    shape: { kind: 'rectangular', heightMm: 40, widthMm: 40, wallMm: 3, outsideRadiusMm: 6 },
    metals: ['steel', 'stainless', 'al6063t6', 'al6061t6'],
  },
  {
    id: 'square-50x4',
    name: 'Square tube 50 × 4',
    shape: { kind: 'rectangular', heightMm: 50, widthMm: 50, wallMm: 4, outsideRadiusMm: 8 },
    metals: ['steel', 'al6061t6'],
  },
  {
    id: 'rect-30x60x2',
    name: 'Rectangular tube 30 × 60 × 2, lying',
    shape: { kind: 'rectangular', heightMm: 30, widthMm: 60, wallMm: 2, outsideRadiusMm: 4 },
    metals: ['steel', 'al6063t6'],
  },
  {
    id: 'rect-50x30x3',
    name: 'Rectangular tube 50 × 30 × 3, upright',
    shape: { kind: 'rectangular', heightMm: 50, widthMm: 30, wallMm: 3, outsideRadiusMm: 6 },
    metals: ['steel', 'al6063t6', 'al6061t6'],
  },
  {
    id: 'flat-40x8',
    name: 'Flat 40 × 8, upright',
    shape: { kind: 'flat', heightMm: 40, widthMm: 8 },
    metals: ['steel', 'stainless', 'al6061t6'],
  },
  {
    id: 'flat-30x5',
    name: 'Flat 30 × 5, upright',
    shape: { kind: 'flat', heightMm: 30, widthMm: 5 },
    metals: ['steel', 'stainless', 'al6061t6'],
  },
  {
    id: 'angle-40x4',
    name: 'Angle 40 × 40 × 4',
    shape: { kind: 'angle', heightMm: 40, widthMm: 40, thicknessMm: 4 },
    metals: ['steel', 'al6061t6'],
  },
  {
    id: 'channel-50x25',
    name: 'Channel 50 × 25 × 4',
    shape: { kind: 'channel', heightMm: 50, widthMm: 25, webMm: 4, flangeMm: 4 },
    metals: ['steel', 'al6061t6'],
  },
  // maker's section values of a plain 40 series, 8 mm slot; torsion taken as a tenth of the closed square, the low side
  {
    id: 'slotted-40x40',
    name: 'Slotted extrusion 40 × 40, slot 8',
    shape: { kind: 'slotted', heightMm: 40, widthMm: 40, areaMm2: 620, iyMm4: 91_000, izMm4: 91_000, torsionMm4: 9000 },
    metals: ['al6063t5', 'al6063t6'],
  },
  {
    id: 'slotted-40x80',
    name: 'Slotted extrusion 40 × 80, slot 8, lying',
    shape: { kind: 'slotted', heightMm: 40, widthMm: 80, areaMm2: 1150, iyMm4: 172_000, izMm4: 640_000, torsionMm4: 19_000 },
    metals: ['al6063t5'],
  },
]

export const profiles: Profile[] = shapes.flatMap(({ metals, ...s }) =>
  metals.map((materialId) => ({
    id: `${s.id}-${materialId}`,
    name: `${s.name}, ${materialOf(materialId).name}`,
    shape: s.shape,
    materialId,
  })),
)

const byId = new Map(profiles.map((p) => [p.id, p]))
const sections = new Map<string, Section>()

export function profileOf(id: string): Profile {
  const found = byId.get(id)
  if (!found) throw new Error(`no profile ${id}`)
  return found
}

export function profileSection(id: string): Section {
  let found = sections.get(id)
  if (!found) {
    found = sectionOf(profileOf(id).shape)
    sections.set(id, found)
  }
  return found
}

/** Mass per length: area × density. kg/m. */
export const massPerMetre = (id: string): number => (profileSection(id).areaMm2 * materialOf(profileOf(id).materialId).densityKgM3) / 1e6

/** The same shape in the shop's other metals, for the material swap. */
export function sameShape(id: string): Profile[] {
  const own = profileOf(id)
  return materials.flatMap((m) => profiles.filter((p) => p.materialId === m.id && p.shape === own.shape))
}
