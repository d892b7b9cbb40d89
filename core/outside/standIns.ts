import type { Asked, AskedLine, OutsideAnswer, OutsideKind } from './answer'

/**
 * Stand-ins for those outside: they answer as a merchant, a coater and a laser service would, by made-up price lists of our own. No figure here is anybody's
 * price, and all that comes from them says that it is simulated. Minor units, mm, kg.
 */
type Said = { minor: number | null; days: number | null; faults: string[] }

const MERCHANT = { perKgMinor: 390, perLineMinor: 600, days: 3, rackM: 60, moreDays: 9, barMm: 6000, thickMm: 12 }
function merchant(l: AskedLine): Said {
  const faults = [
    ...(l.unit === 'mm' && l.longMm > MERCHANT.barMm
      ? [`a piece of {${Math.round(l.longMm)}} is longer than a bar of {${MERCHANT.barMm}}`]
      : []),
    ...(l.thickMm > MERCHANT.thickMm ? [`sheet of {g ${l.thickMm}} is not held: {g ${MERCHANT.thickMm}} at most`] : []),
  ]
  if (faults.length) return { minor: null, days: null, faults }
  const more = l.unit === 'mm' && l.quantity > MERCHANT.rackM * 1000
  return {
    minor: Math.round(l.massKg * MERCHANT.perKgMinor) + MERCHANT.perLineMinor,
    days: more ? MERCHANT.moreDays : MERCHANT.days,
    faults,
  }
}

const COATER = { perM2Minor: 3100, lotMinor: 2500, days: 6, ovenMm: [3200, 1700] as const, hungKg: 80 }
function coater(l: AskedLine): Said {
  const [long, wide] = COATER.ovenMm
  const faults = [
    ...(l.longMm > long || l.wideMm > wide
      ? [`{${Math.round(l.longMm)}} × {${Math.round(l.wideMm)}} does not go into the oven of {${long}} × {${wide}}`]
      : []),
    ...(l.massKg > COATER.hungKg ? ['heavier than its rail carries: send it in parts'] : []),
  ]
  if (faults.length) return { minor: null, days: null, faults }
  return { minor: COATER.lotMinor + Math.round((l.quantity / 1e6) * COATER.perM2Minor), days: COATER.days, faults }
}

const LASER = {
  perMetreMinor: 90,
  perMmThick: 0.3,
  pierceMinor: 12,
  setUpMinor: 900,
  days: 4,
  bedMm: [3000, 1500] as const,
  thickMm: 10,
  leastHole: 0.8,
}
function laser(l: AskedLine): Said {
  const [long, wide] = LASER.bedMm
  const faults = [
    ...(l.longMm > long || l.wideMm > wide ? [`larger than the bed of {${long}} × {${wide}}`] : []),
    ...(l.thickMm > LASER.thickMm ? [`thicker than {g ${LASER.thickMm}}`] : []),
    ...(l.leastHoleMm !== null && l.leastHoleMm < LASER.leastHole * l.thickMm
      ? [`a hole of {g ${l.leastHoleMm}} in {g ${l.thickMm}} closes up in the cut: mark it here and drill it`]
      : []),
  ]
  if (faults.length) return { minor: null, days: null, faults }
  const each = (l.cutMm / 1000) * LASER.perMetreMinor * (1 + LASER.perMmThick * l.thickMm) + l.pierces * LASER.pierceMinor
  return { minor: LASER.setUpMinor + Math.round(each * l.quantity), days: LASER.days, faults }
}

const says: Record<OutsideKind, (l: AskedLine) => Said> = { merchant, coater, laser }

/** What a stand-in answers on a day; not used until somebody says so. */
export const standInAnswer = (asked: Asked, on: string): OutsideAnswer => ({
  ...asked,
  on,
  answers: asked.lines.map((l) => ({ key: l.key, ...says[asked.kind](l) })),
  simulated: true,
  used: false,
})
