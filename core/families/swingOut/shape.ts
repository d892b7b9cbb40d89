import { profileOf, profileSection } from '../../catalogue/profiles'
import type { Vec3 } from '../../geometry/vec3'
import type { SwingOutParams } from './params'

/** So far the tongue sits in the receiver, ahead of the pin; the insert before it. mm; the shop's own */
export const ENGAGED_MM = 110
export const INSERT_MM = 70
/** The hub about the spindle takes so much to either side; the spindle stands so far over the arm. mm; the shop's own */
const HUB_WALL_MM = 12
const OVER_ARM_MM = 25
/** Air between the wheel's inner edge and the arm. mm; the shop's own */
const WHEEL_AIR_MM = 25
export const PLATE_MM = 8

/** Where everything of it stands, shut. mm */
export type SwingShape = {
  /** +1 where the hinge is on the left */
  side: 1 | -1
  crossX: number
  crossTop: number
  armZ: number
  armTop: number
  hingeY: number
  latchY: number
  /** the arm's ends: beside the spindle's hub, and past the latch */
  armFrom: number
  armTo: number
  hubY: number
  hubZ: number
  /** the front of the stub that carries the wheel's plate, and the plate's rear face */
  stubFrom: number
  faceX: number
  wheel: { middle: Vec3; size: Vec3 }
}

export function swingShape(p: SwingOutParams, pin: Vec3): SwingShape {
  const side = p.hinge === 'left' ? 1 : -1
  const [beam, arm, spindle] = [profileSection(p.beamProfileId), profileSection(p.armProfileId), profileOf(p.spindleProfileId).shape]
  const spindleMm = spindle.kind === 'round' ? spindle.outsideDiameterMm : 40
  const crossX = pin.x - p.behindMm
  const crossTop = pin.z + beam.heightMm / 2
  const armZ = crossTop + p.liftMm + arm.heightMm / 2
  const hubY = -side * p.hubAsideMm
  const hubZ = armZ + p.hubUpMm
  const stubFrom = crossX - arm.widthMm / 2
  const faceX = stubFrom - p.backspaceMm - WHEEL_AIR_MM
  return {
    side,
    crossX,
    crossTop,
    armZ,
    armTop: armZ + arm.heightMm / 2,
    hingeY: side * p.hingeOutMm,
    latchY: -side * p.latchOutMm,
    armFrom: side * (p.hingeOutMm - spindleMm / 2 - HUB_WALL_MM),
    armTo: -side * (p.latchOutMm + 40),
    hubY,
    hubZ,
    stubFrom,
    faceX,
    wheel: {
      middle: { x: faceX + p.backspaceMm - p.wheelWideMm / 2, y: hubY, z: hubZ },
      size: { x: p.wheelWideMm, y: p.wheelMm, z: p.wheelMm },
    },
  }
}

export const spindleTop = (s: SwingShape): number => s.armTop + OVER_ARM_MM
