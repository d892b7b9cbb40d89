import type { OwnDimension } from '../../assembly/assembly'
import { profileSection } from '../../catalogue/profiles'
import type { GuardParams } from './params'
import type { GuardShape } from './shape'

export function dimensionsOf(p: GuardParams, s: GuardShape): OwnDimension[] {
  const bar = profileSection(p.profileId)
  const top = s.topZ + bar.heightMm / 2
  const half = Math.max(50, s.posts.topMm / 2 + p.lipMm)
  return [
    {
      id: 'height',
      view: 'rear',
      axis: 'y',
      side: 'low',
      running: false,
      label: 'rail to top',
      from: { x: s.postX, y: half, z: s.railZ },
      to: { x: s.postX, y: half, z: top },
      edits: { figure: 'height', offsetMm: 0 },
    },
    {
      id: 'topWidth',
      view: 'rear',
      axis: 'x',
      side: 'high',
      running: false,
      label: 'top bar',
      from: { x: s.postX, y: half, z: top },
      to: { x: s.postX, y: -half, z: top },
    },
    { id: 'baseWidth', view: 'rear', axis: 'x', side: 'low', running: false, label: 'posts', from: s.bottom(1), to: s.bottom(-1) },
    {
      id: 'base',
      view: 'plan',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'base',
      from: { x: s.rearX, y: -s.half(s.rearX), z: s.baseZ },
      to: { x: s.frontX, y: -s.half(s.frontX), z: s.baseZ },
      edits: { figure: 'base', offsetMm: 0 },
    },
  ]
}
