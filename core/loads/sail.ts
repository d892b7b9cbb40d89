import type { Assembly } from '../assembly/assembly'
import { DOWN, memberFacingMm2, plateFacingMm2 } from '../assembly/facing'
import type { Brief } from '../brief/brief'
import { type Figure, figure } from '../figure/figure'
import type { Rules } from '../rules/rules'
import { type Carried, countsWhen } from './carried'
import { windPressurePa } from './loadCases'

/** Lift on the open bars and on the rack as covered, N; the prompt stands where what lies on it makes a sail of an open frame. */
export type Sail = { open: Figure; covered: Figure; prompt: string | null }
/** A load this flat for its size closes the frame like a deck; taller ones are boxes with air around them. */
const FLAT = 0.1

/** What the air lifts at the driving speed: q·C_L·A on the bars alone, and with all that lies on them. */
export function sail(assembly: Assembly, carried: Carried[], brief: Brief, rules: Rules): Sail | null {
  const open = assembly.supports.filter((s) => s.kind === 'bars' && s.bearings.filter((b) => b.on !== null).length >= 2)
  if (!open.length) return null
  const driving = carried.filter((c) => countsWhen(c, 'driving') && c.bearings.length)
  const sum = (of: { planM2: number }[]) => of.reduce((s, c) => s + c.planM2, 0)
  const own = [
    ...assembly.members.map((m) => ({ planM2: memberFacingMm2(m, DOWN) / 1e6 })),
    ...assembly.plates.map((p) => ({ planM2: plateFacingMm2(p, DOWN) / 1e6 })),
  ]
  const flat = driving.filter((c) => c.heightMm < FLAT * Math.min(c.lengthMm, c.widthMm))
  const outlineM2 = Math.max(
    ...open.map(({ bearings }) => {
      const xs = bearings.map((b) => b.xMm)
      return ((Math.max(...xs) - Math.min(...xs)) * Math.max(...bearings.map((b) => b.leftMm - b.rightMm))) / 1e6
    }),
  )
  const lift = (id: string, name: string, areaM2: number) =>
    figure(
      {
        id,
        name,
        unit: 'N',
        formula: 'F = ½·ρ·v²·C·A',
        source: 'EN 1991-1-4, 4.5 and 5.3; the coefficient is the shop’s own',
        assumes: ['lift on plan area alone; what a gust adds is in the load cases'],
        with: {
          v: [brief.speedKmh, 'km/h', 'driving speed'],
          ρ: [rules.airDensity, 'kg/m³', 'air density'],
          C: [rules.liftCoefficient, '', 'lift coefficient'],
          A: [areaM2, 'm²', 'plan area'],
        },
      },
      ({ v, ρ, C, A }) => windPressurePa(ρ, v) * C * A,
    )
  const closes = outlineM2 > 0 && sum(flat) > outlineM2 / 3
  return {
    open: lift('lift.open', 'Lift on the open bars', sum(own)),
    covered: lift('lift.covered', 'Lift on the rack as covered', sum(own) + sum(driving)),
    prompt: closes
      ? `${flat.map((c) => c.name).join(' and ')} ${flat.length > 1 ? 'close' : 'closes'} the open frame and ${flat.length > 1 ? 'make' : 'makes'} a sail of it: hold the front edge down over its whole width, and set a fairing ahead of it or leave a gap.`
      : null,
  }
}
