import { G_M_S2, radians } from '../quantity/units'

export type StrutInput = {
  /** angle of the cover above the level, as it stands open */
  openDeg: number
  coverKg: number
  /** from the hinge along the cover to its centre of mass */
  coverCentreMm: number
  rackKg: number
  rackCentreMm: number
  struts: number
  strutForceN: number
  /** strut's end on the cover: along it from the hinge */
  onCoverMm: number
  /** strut's end on the body: along the closed cover from the hinge, and below it */
  onBodyMm: number
  bodyBelowMm: number
}
export type StrutAnswer = {
  weightMomentNmm: number
  armMm: number
  neededForceN: number
  holds: boolean
  /** mass that these struts could still hold at the rack's place, besides the cover */
  mostRackKg: number
  /** push at the cover's end needed to close it without the rack on: positive = must be pushed down */
  closingHandN: number
}

/** Lever of the strut's line about the hinge, at an opening angle. Cover end C turns about the hinge, body end B stands. mm. */
export function strutArmMm(v: StrutInput, openDeg: number): number {
  const a = radians(openDeg)
  const [cx, cz] = [v.onCoverMm * Math.cos(a), v.onCoverMm * Math.sin(a)]
  const [bx, bz] = [v.onBodyMm, -v.bodyBelowMm]
  const length = Math.hypot(cx - bx, cz - bz)
  // moment of a unit force along B → C about the hinge at the origin: x·uz − z·ux
  return length < 1e-9 ? 0 : (cx * (cz - bz) - cz * (cx - bx)) / length
}

/**
 * Gas struts under a hinged cover that carries a rack: moments about the hinge, n·F·arm against Σ m·g·x·cos θ (statics). The force a strut
 * must still have at its age and temperature, whether the given ones hold, and what remains to push it shut when the rack is off.
 * N, mm, kg, degrees from level. A strut loses force in the cold and with age: take the force it has, not the one printed on it.
 */
export function strutBalance(v: StrutInput): StrutAnswer {
  const moment = (rackKg: number, openDeg: number) =>
    G_M_S2 * (v.coverKg * v.coverCentreMm + rackKg * v.rackCentreMm) * Math.cos(radians(openDeg))
  const armMm = strutArmMm(v, v.openDeg)
  const weightMomentNmm = moment(v.rackKg, v.openDeg)
  const lift = v.struts * v.strutForceN * armMm
  const neededForceN = armMm > 0 ? weightMomentNmm / (v.struts * armMm) : Number.POSITIVE_INFINITY
  const perKg = G_M_S2 * v.rackCentreMm * Math.cos(radians(v.openDeg))
  const reach = 2 * v.coverCentreMm // a cover of even thickness ends twice as far out as its centre
  return {
    weightMomentNmm,
    armMm,
    neededForceN,
    holds: lift >= weightMomentNmm,
    mostRackKg: perKg > 1e-9 ? Math.max(0, (lift - moment(0, v.openDeg)) / perKg) : 0,
    closingHandN: (lift - moment(0, v.openDeg)) / (reach * Math.max(0.05, Math.cos(radians(v.openDeg)))),
  }
}
