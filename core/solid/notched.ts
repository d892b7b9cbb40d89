import type { Pose } from '../assembly/assembly'
import { type Member, memberLengthMm } from '../assembly/assembly'
import { notchedOutline } from '../assembly/notch'
import { profileSection } from '../catalogue/profiles'
import { sectionAxes } from '../geometry/localAxes'
import { along, type Point } from '../geometry/vec3'

/** A notched flat bar as what it is: a flat part on edge, its outline from the side, as thick as the bar is wide. mm */
export function notchedFace(m: Member): { pose: Pose; outline: Point[]; thicknessMm: number } {
  const { run, width, height } = sectionAxes(m.path[0]!, m.path[1]!, m.rollDeg)
  const thicknessMm = profileSection(m.profileId).widthMm
  // along × up looks against the way of its width
  return {
    pose: { origin: along(m.path[0]!, width, thicknessMm / 2), along: run, up: height },
    outline: notchedOutline(m, memberLengthMm(m)),
    thicknessMm,
  }
}
