import { type Assembly, memberLengthMm, type Notch } from '../assembly/assembly'
import { profileSection } from '../catalogue/profiles'

/** Flat bars that are notched alike: clamped side by side they are one packet, so thick, and every notch is one cut across it. mm */
export type NotchRow = { marks: string[]; name: string; lengthMm: number; notches: Notch[]; packetMm: number }

/** Notched members, alike ones as one packet, in the order of their marks. */
export function notchRows(a: Pick<Assembly, 'members'>): NotchRow[] {
  const rows = new Map<string, NotchRow>()
  const tenth = (mm: number) => Math.round(mm * 10)
  for (const m of a.members) {
    if (!m.notches?.length) continue
    const lengthMm = memberLengthMm(m)
    const thickMm = profileSection(m.profileId).widthMm
    const key = JSON.stringify([
      ...[m.name, m.profileId, tenth(lengthMm)],
      m.notches.map((n) => [tenth(n.atMm), tenth(n.lengthMm), tenth(n.depthMm), n.edge]),
    ])
    const known = rows.get(key)
    if (known) {
      known.marks.push(m.mark)
      known.packetMm += thickMm
    } else rows.set(key, { marks: [m.mark], name: m.name, lengthMm, notches: m.notches, packetMm: thickMm })
  }
  return [...rows.values()].sort((p, q) => p.marks[0]!.localeCompare(q.marks[0]!, 'en', { numeric: true }))
}

/** Each place with its width and depth, as it is read at the bench. */
export function notchText(row: NotchRow, length: (mm: number) => string): string {
  const [first] = row.notches
  const alike = row.notches.every((n) => n.lengthMm === first!.lengthMm && n.depthMm === first!.depthMm && n.edge === first!.edge)
  const size = (n: Notch) => `${length(n.lengthMm)} wide, ${length(n.depthMm)} deep from ${n.edge === 'under' ? 'below' : 'above'}`
  return alike
    ? `${row.notches.map((n) => length(n.atMm)).join(', ')}: ${size(first!)}`
    : row.notches.map((n) => `${length(n.atMm)}: ${size(n)}`).join('; ')
}
