import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import { type KeyboardEvent, type PointerEvent, useRef } from 'react'
import { overOf } from '../../core/schedule/chain'
import { dateOf, dayOf } from '../../core/schedule/shopCalendar'
import type { Placed, WorkJob, WorkStep } from '../../core/schedule/work'
import { Lane } from './Lane'
import { DAY_PX, type DayColumn, xOf } from './scale'

type Props = {
  job: WorkJob
  step: WorkStep
  placed: Placed | null
  columns: DayColumn[]
  today: string
  chosen: boolean
  tried: string | null
  onChoose: () => void
  /** a day it might be moved to: shown with all that follows from it, before anything is moved */
  onTry: (on: string | null) => void
  onMove: (on: string) => void
}

/** One step of an open job: dragged to a later day, or moved with the arrow keys and Enter; Escape leaves it where it is. */
export function StepLane({ job, step, placed, columns, today, chosen, tried, onChoose, onTry, onMove }: Props) {
  const { inks } = useTheme()
  const moves = useStepMoves({ done: job.done[step.id] !== undefined, placed, today, onChoose, onTry, onMove })
  const done = job.done[step.id]
  const waitTo = placed ? overOf(placed, [job]) : 0
  return (
    <Lane
      columns={columns}
      height={28}
      label={
        <Box
          sx={{
            pl: 2.5,
            pr: 1,
            lineHeight: '28px',
            fontSize: 14,
            whiteSpace: 'nowrap',
            overflow: 'hidden',
            textOverflow: 'ellipsis',
            color: done ? 'text.secondary' : 'text.primary',
          }}
        >
          {done ? '✓ ' : ''}
          {step.title}
        </Box>
      }
    >
      {placed && step.waitHours > 0 && (
        <Box
          aria-hidden
          sx={{
            position: 'absolute',
            top: 12,
            height: 5,
            left: xOf(placed.ends),
            width: Math.max(0, xOf(waitTo) - xOf(placed.ends)),
            background: `repeating-linear-gradient(90deg, ${inks.waterDeep} 0 4px, transparent 4px 8px)`,
          }}
        />
      )}
      {placed && <StepBar step={step} placed={placed} done={done !== undefined} chosen={chosen} {...moves} />}
      {placed && chosen && tried && (
        <Box
          aria-hidden
          sx={{
            ...{ position: 'absolute', top: 4, height: 20, left: xOf(dayOf(today, tried)), width: DAY_PX },
            ...{ border: '2px dashed', borderColor: inks.selected, borderRadius: '3px' },
          }}
        />
      )}
      {!placed && (
        <Box sx={{ position: 'absolute', left: xOf(0) + 6, lineHeight: '28px', fontSize: 13.5, color: inks.signal, whiteSpace: 'nowrap' }}>
          no day
        </Box>
      )}
    </Lane>
  )
}

type Moves = Pick<Props, 'placed' | 'today' | 'onChoose' | 'onTry' | 'onMove'> & { done: boolean }
/** What a pointer and keys do to a step: try a day, settle on it, or leave it where it is. */
function useStepMoves({ done, placed, today, onChoose, onTry, onMove }: Moves) {
  const drag = useRef<{ x: number; by: number } | null>(null)
  const ahead = useRef(0)
  const first = placed ? Math.max(0, Math.floor(placed.begins + 1e-9)) : 0
  const on = (by: number) => dateOf(today, Math.max(0, first + by))
  const attempt = (days: number) => {
    ahead.current = days
    onTry(days === 0 ? null : on(days))
  }
  const leave = () => {
    drag.current = null
    ahead.current = 0
    onTry(null)
  }
  const settle = () => {
    const days = ahead.current
    leave()
    if (days !== 0) onMove(on(days))
  }
  const down = (e: PointerEvent<HTMLElement>) => {
    onChoose()
    if (done) return
    e.currentTarget.setPointerCapture(e.pointerId)
    drag.current = { x: e.clientX, by: 0 }
  }
  const move = (e: PointerEvent<HTMLElement>) => {
    if (!drag.current) return
    const by = Math.round((e.clientX - drag.current.x) / DAY_PX)
    if (by !== drag.current.by) {
      drag.current.by = by
      attempt(by)
    }
  }
  const key = (e: KeyboardEvent) => {
    if (e.key === 'Escape') leave()
    else if (e.key === 'Enter') {
      if (ahead.current) settle()
      else onChoose()
    } else if (!done && (e.key === 'ArrowRight' || e.key === 'ArrowLeft')) {
      onChoose()
      attempt(ahead.current + (e.key === 'ArrowRight' ? 1 : -1) * (e.shiftKey ? 5 : 1))
    } else return
    e.preventDefault()
    e.stopPropagation()
  }
  return { down, move, settle, leave, onKey: key, onChoose }
}

type BarProps = { step: WorkStep; placed: Placed; done: boolean; chosen: boolean } & ReturnType<typeof useStepMoves>
function StepBar({ step, placed, done, chosen, down, move, settle, leave, onKey, onChoose }: BarProps) {
  const { inks } = useTheme()
  return (
    <Box
      component="button"
      type="button"
      aria-label={`${step.title}, ${placed.from === placed.to ? placed.from : `${placed.from} to ${placed.to}`}${done ? ', done' : ''}`}
      aria-pressed={chosen}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={settle}
      onPointerCancel={leave}
      onKeyDown={onKey}
      onClick={onChoose}
      sx={{
        all: 'unset',
        boxSizing: 'border-box',
        position: 'absolute',
        top: 5,
        height: 18,
        left: xOf(placed.begins),
        width: Math.max(12, xOf(placed.ends) - xOf(placed.begins)),
        bgcolor: done ? inks.line : placed.short ? inks.near : inks.mount,
        border: '2px solid',
        borderColor: chosen ? inks.selected : 'transparent',
        borderRadius: '3px',
        cursor: done ? 'default' : 'ew-resize',
        touchAction: 'none',
        zIndex: 1,
        '&:focus-visible': { outline: `3px solid ${inks.selected}`, outlineOffset: 1 },
      }}
    />
  )
}
