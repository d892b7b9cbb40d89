/** Where bolts of one group stand in their plane, and how far the part goes on each way. mm */
export type BoltGroup = { at: { x: number; y: number }[]; padXMm: number; padYMm: number }

/**
 * How far apart two bolts would have to stand to be pulled no less than the worst of a group is when the part is turned over: elastic group, Tₘₐₓ = M·cₘₐₓ/Σc²
 * (AISC Steel Construction Manual, part 7, elastic method), so a = 2·Σc²/(n·cₘₐₓ), about whichever axis is the poorer. Bolts that stand in one line are pried
 * over half the part across it. mm
 */
export function leverMm({ at, padXMm, padYMm }: BoltGroup): number {
  const about = (of: 'x' | 'y', padMm: number): number => {
    const mean = at.reduce((s, b) => s + b[of], 0) / at.length
    const off = at.map((b) => Math.abs(b[of] - mean))
    const most = Math.max(...off)
    return most > 1 ? (2 * off.reduce((s, c) => s + c * c, 0)) / (at.length * most) : padMm
  }
  return Math.min(about('x', padXMm), about('y', padYMm))
}
