import { describe, expect, test } from 'vitest'
import { type Assembly, emptyAssembly } from '../assembly/assembly'
import { BriefSchema } from '../brief/brief'
import { demoVehicles } from '../vehicle/demoVehicles'
import { type Picture, picture, type SeenFrom } from './picture'

const [van] = demoVehicles
const brief = BriefSchema.parse({})
const box = (over: Partial<Assembly['fittings'][number]>): Assembly['fittings'][number] => ({
  id: 'box',
  mark: 'X',
  name: 'Box',
  massKg: 1,
  at: { x: 800, y: 0, z: 3000 },
  middle: { x: 800, y: 0, z: 3000 },
  size: { x: 900, y: 400, z: 300 },
  unknown: [],
  priceMinor: null,
  there: true,
  ...over,
})
const shown = (fittings: Assembly['fittings'], seen: SeenFrom = 'front', width = 600) =>
  picture({ ...emptyAssembly, fittings }, van!, brief, seen, width)
/** Points of what is bought: its ink in any light. */
const bought = ({ data }: Picture): number => {
  let n = 0
  for (let i = 0; i < data.length; i += 3) {
    const [r, g, b] = [data[i]!, data[i + 1]!, data[i + 2]!]
    if (Math.abs(g / r - 104 / 96) < 0.02 && Math.abs(g - b) <= 1 && g < 110) n++
  }
  return n
}

describe('the job in the round', () => {
  test('a box in the air shows its three near faces, each as large as it looks from there: L·W·|z| + L·H·|y| + W·H·|x| of the eye’s way', () => {
    const eye = { x: 0.62, y: 0.68, z: 0.42 }
    const n = Math.hypot(eye.x, eye.y, eye.z)
    const area = (l: number, w: number, h: number) => (l * w * eye.z + l * h * eye.y + w * h * eye.x) / n
    const seen = (l: number, w: number, h: number) => bought(shown([box({ size: { x: l, y: w, z: h } })]))
    const [one, other] = [seen(900, 400, 300), seen(500, 700, 200)]
    expect(one).toBeGreaterThan(1500)
    expect(one / other / (area(900, 400, 300) / area(500, 700, 200))).toBeCloseTo(1, 1)
  })
  test('what stands before something hides it: a box inside the van is not seen, one behind it only from behind', () => {
    expect(bought(shown([box({ middle: { x: 800, y: 0, z: 1300 } })]))).toBe(bought(shown([])))
    const behind = box({ middle: { x: -1500, y: 0, z: 900 }, size: { x: 200, y: 500, z: 500 } })
    expect(bought(shown([behind], 'rear'))).toBeGreaterThan(400)
    expect(bought(shown([behind], 'front'))).toBeLessThan(bought(shown([behind], 'rear')) / 4)
  })
  test('it is as wide as asked and has the whole vehicle in it: its outermost points are paper', () => {
    const p = shown([], 'front', 320)
    expect(p.width).toBe(320)
    expect(p.data.length).toBe(p.width * p.height * 3)
    for (let x = 0; x < p.width; x++)
      for (const y of [0, p.height - 1])
        expect([...p.data.slice(3 * (y * p.width + x), 3 * (y * p.width + x) + 3)]).toEqual([255, 253, 246])
  })
  test('a vehicle of which nothing is measured is still a picture', () => {
    const bare = { ...van!, lengthMm: { ...van!.lengthMm, value: null }, roofHeightMm: { ...van!.roofHeightMm, value: null } }
    const p = picture(emptyAssembly, bare, brief, 'rear', 200)
    expect(p.width).toBe(200)
    expect(p.height).toBeGreaterThan(40)
  })
})
