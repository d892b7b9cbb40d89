import { Impossible } from '../issue/impossible'
import { G_M_S2 } from '../quantity/units'

export type SlideOut = { upliftN: number; perFixingN: number; tipsAtMm: number | null; trayOffsetMm: number }
/**
 * A tray pulled out of its frame: its mass and load act half a tray in front of its rear end; moments about the frame's front edge give what the inner
 * fixings are pulled up by, F = g·Σm·(travel − tray/2) / base − g·frame/2 (statics). Also where a tray sits in the middle of its slide. N, mm, kg
 */
export function slideOut(v: {
  trayMm: number
  travelMm: number
  baseMm: number
  trayKg: number
  loadKg: number
  frameKg: number
  fixings: number
  loadFactor: number
}): SlideOut {
  if (v.travelMm > v.trayMm + v.baseMm) throw new Impossible('it would come out of its frame: less travel')
  // the tray's middle, forward of the edge it hangs over
  const past = v.travelMm - v.trayMm / 2
  const moving = (v.trayKg + v.loadKg) * v.loadFactor
  const up = (G_M_S2 * (moving * past - (v.frameKg * v.baseMm) / 2)) / v.baseMm
  const tips = v.frameKg > 0 || moving > 0 ? v.trayMm / 2 + (v.frameKg * v.baseMm) / (2 * Math.max(1e-9, moving)) : null
  return {
    upliftN: Math.max(0, up),
    perFixingN: Math.max(0, up) / Math.max(1, v.fixings),
    tipsAtMm: tips,
    trayOffsetMm: (v.baseMm - v.trayMm) / 2,
  }
}
