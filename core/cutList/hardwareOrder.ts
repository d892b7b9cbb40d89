import type { Assembly } from '../assembly/assembly'
import { type HardwarePart, hardwareName, hardwarePriceMinor, hasSpares } from '../catalogue/hardware'
import type { Rules } from '../rules/rules'

/** One line of what to buy: its number on drawing and list, how many the rack takes, spares on top, and where they go. Lengths in the name in braces, mm. */
export type HardwareLine = { mark: string; name: string; for: string; quantity: number; spares: number; eachMinor: number | null }

/** Hardware to order, alike parts of one use on one line; small things with spares, one at least. */
export function hardwareOrder(assembly: Assembly, rules: Rules): HardwareLine[] {
  const alike = new Map<string, { part: HardwarePart; for: string; quantity: number }>()
  for (const h of assembly.hardware) {
    const key = `${hardwareName(h.part)}|${h.for}`
    const line = alike.get(key) ?? { part: h.part, for: h.for, quantity: 0 }
    alike.set(key, { ...line, quantity: line.quantity + h.quantity })
  }
  return [...alike.values()].map(({ part, for: use, quantity }, i) => ({
    mark: `#${i + 1}`,
    name: hardwareName(part),
    for: use,
    quantity,
    spares: hasSpares(part) && rules.sparesPercent > 0 ? Math.ceil((quantity * rules.sparesPercent) / 100) : 0,
    eachMinor: hardwarePriceMinor(part),
  }))
}
