import type { Assembly, Hardware } from '../assembly/assembly'
import { hardwareName, hardwarePriceMinor, hasSpares } from '../catalogue/hardware'
import type { MountKind } from '../catalogue/mounts'
import type { Rules } from '../rules/rules'

/** One line of what to buy: its number on drawing and list, how many the rack takes, spares on top, and where they go. Lengths in the name in braces, mm. */
export type HardwareLine = {
  mark: string
  name: string
  for: string
  quantity: number
  spares: number
  eachMinor: number | null
  foot?: MountKind
}

/** Hardware to order, alike parts of one use on one line; small things with spares, one at least. */
export function hardwareOrder(assembly: Assembly, rules: Rules): HardwareLine[] {
  const alike = new Map<string, Hardware>()
  for (const h of assembly.hardware) {
    const key = `${hardwareName(h.part)}|${h.for}`
    const line = alike.get(key) ?? { ...h, quantity: 0 }
    alike.set(key, { ...line, quantity: line.quantity + h.quantity })
  }
  return [...alike.values()].map(({ part, for: use, quantity, foot }, i) => ({
    mark: `#${i + 1}`,
    name: hardwareName(part),
    for: use,
    ...(foot ? { foot } : {}),
    quantity,
    spares: hasSpares(part) && rules.sparesPercent > 0 ? Math.ceil((quantity * rules.sparesPercent) / 100) : 0,
    eachMinor: hardwarePriceMinor(part),
  }))
}
