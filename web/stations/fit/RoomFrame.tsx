import { useTheme } from '@mui/material/styles'
import type { ReactNode } from 'react'
import type { Inside } from '../../../core/inside/inside'
import { letterMm } from './InsideShape'
import type { useInsideMoves } from './useInsideMoves'

const PAD_MM = 120
type Props = {
  inside: Inside
  moves: ReturnType<typeof useInsideMoves>
  label: string
  /** how far down the drawing goes: across the floor, or up to the roof. mm */
  deepMm: number
  /** what stands over its left and its right corner */
  corners: [string, string?]
  children: ReactNode
}

/** The room's own edge on a drawing of it, front to the left. */
export function RoomFrame({ inside, moves, label, deepMm, corners: [left, right], children }: Props) {
  const { inks } = useTheme()
  const longMm = inside.lengthMm ?? 0
  const letters = { y: -30, fontSize: letterMm(inside), fill: inks.quiet }
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing is no form; its movable parts stand in it as one group
    <svg
      ref={moves.frame}
      viewBox={`${-PAD_MM} ${-PAD_MM} ${longMm + 2 * PAD_MM} ${deepMm + 2 * PAD_MM}`}
      style={{ width: '100%', height: '100%', display: 'block', touchAction: 'none' }}
      role="group"
      aria-label={label}
    >
      <rect x={0} y={0} width={longMm} height={deepMm} fill={inks.roofFill} stroke={inks.vehicle} strokeWidth={14} />
      <text x={20} {...letters}>
        {left}
      </text>
      {right && (
        <text x={longMm - 20} textAnchor="end" {...letters}>
          {right}
        </text>
      )}
      {children}
    </svg>
  )
}
