import { describe, expect, test } from 'vitest'
import { hardwareOrder } from '../cutList/hardwareOrder'
import { demoJobs } from '../job/demoJobs'
import { defaultRules } from '../rules/rules'
import { assembled } from '../testing/racks'
import { footDetails } from './footDetail'

const detailsOf = (title: string) => {
  const assembly = assembled(demoJobs.find((j) => j.title.startsWith(title))!)
  return { assembly, details: footDetails(assembly, hardwareOrder(assembly, defaultRules)) }
}
const figures = (d: ReturnType<typeof footDetails>[number]) =>
  d.sheet.entities.flatMap((e) => (e.kind === 'dimension' ? [[e.axis, Math.round(e.lengthMm)]] : []))
const rings = (d: ReturnType<typeof footDetails>[number]) => d.sheet.entities.flatMap((e) => (e.kind === 'balloon' ? [e.text] : []))

describe('a foot drawn large', () => {
  test('of three alike crossbars one foot is drawn for all six: its rise, its place from the bar’s end, its bolts, nuts and jaw by their numbers', () => {
    const { assembly, details } = detailsOf('Pole and case')
    expect(details.map((d) => [d.name, d.marks.length])).toEqual([['Gutter clamp', 6]])
    const [gutter] = details
    expect(rings(gutter!)).toEqual(['#1', '#2', '#3', 'F1L', 'B1'])
    // by hand: the first bar ends as far past its foot as half of what it is longer than the feet are apart
    const [left, right] = assembly.mounts.filter((m) => m.on === assembly.members[0]!.id)
    const [a, b] = assembly.members[0]!.path
    const past = (Math.abs(a!.y - b!.y) - Math.abs(left!.place.y - right!.place.y)) / 2
    const rise = a!.z - 20 - left!.place.z
    expect(figures(gutter!)).toEqual([
      ['y', Math.round(rise)],
      ['x', Math.round(past)],
    ])
  })
  test('every foot of every demo job is told of once, and no drawing reaches far past its frame', () => {
    for (const job of demoJobs) {
      const assembly = assembled(job)
      const details = footDetails(assembly, hardwareOrder(assembly, defaultRules))
      expect(details.flatMap((d) => d.marks).sort(), job.title).toEqual(assembly.mounts.map((m) => m.mark).sort())
      for (const d of details) {
        const { min, max } = d.sheet.box
        expect(max.x - min.x, `${job.title} ${d.name}`).toBeLessThan(420)
        // every ring stands within the frame, whatever runs on past it
        for (const e of d.sheet.entities)
          if (e.kind === 'balloon') expect(e.at.x > min.x && e.at.x < max.x && e.at.y > min.y && e.at.y < max.y, e.text).toBe(true)
        expect(d.sheet.entities.some((e) => e.layer === 'foot')).toBe(true)
      }
    }
  })
  test('a tongue sits in its receiver: no rise is made up for it; a bought rack’s own feet are said to be its maker’s, with no bolts of ours', () => {
    const carrier = detailsOf('Hoop').details.find((d) => d.name.startsWith('Receiver'))!
    expect(figures(carrier)).toEqual([])
    const { assembly } = detailsOf('Pole and case')
    const theirs = footDetails(
      { ...assembly, mounts: assembly.mounts.map((m) => ({ ...m, theirs: true })) },
      hardwareOrder(assembly, defaultRules),
    )
    expect(theirs.map((d) => d.name)).toEqual(['Gutter clamp, its maker’s'.replace('’', "'")])
    expect(rings(theirs[0]!)).toEqual(['F1L', 'B1'])
  })
})
