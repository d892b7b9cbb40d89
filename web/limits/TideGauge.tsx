import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { type HeldUp, heldUp } from '../../core/limits/heldUp'
import { type Limit, limitKey, missingFor } from '../../core/limits/limit'
import { figureText } from '../../core/quantity/figureText'
import { percentText } from '../../core/quantity/percent'
import { useView } from '../drawing/view'
import { WhyButton, Working } from '../figure/Working'
import { useJob } from '../job/jobStore'
import { useResult } from '../job/useEvaluation'
import { useFitWanting, useLimits } from '../job/useFit'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { useUnits } from '../quantity/units'
import { FIGURES } from '../theme/theme'
import { Reliefs } from './Reliefs'
import { type LimitState, stateMarks, stateWords } from './states'

/** The line stands at four fifths of the staff, so that water over it can be seen to be over. */
const LINE = 0.8
const levelOf = (ratio: number | null): number => (ratio === null ? 0 : Math.min(1, ratio * LINE))

const useStateColour = () => {
  const { inks } = useTheme()
  return (s: LimitState) => ({ clear: inks.clear, near: inks.near, over: inks.signal, unknown: inks.unknown })[s]
}

/** Every limit as a level of water under its line, the governing one first. It rises and falls while a bar is dragged. */
export function TideGauge() {
  const evaluation = useResult((s) => s.evaluation)
  const fault = useResult((s) => s.fault)
  const all = useLimits()
  const wanting = useFitWanting()
  const [alone, setAlone] = useState<string | null>(null)
  if (fault)
    return (
      <Typography role="alert" sx={{ p: 2 }} color="error">
        The figures could not be worked out: {fault}
      </Typography>
    )
  if (!evaluation) return <Typography sx={{ p: 2, color: 'text.secondary' }}>Working out the limits…</Typography>
  const only = evaluation.pieces.some((p) => p.id === alone) ? alone : null
  const limits = all.filter((l) => only === null || l.pieceId === only || l.pieceId === null)
  const [first, ...rest] = limits
  const count = (s: LimitState) => limits.filter((l) => l.state === s).length
  return (
    <Box component="aside" aria-label="Tide gauge: limits" sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, height: '100%' }}>
      <Box sx={{ px: 1.5, pt: 1, pb: 0.5, display: 'flex', gap: 1.25, alignItems: 'baseline', flexWrap: 'wrap' }} role="status">
        <Typography variant="h2">Tide gauge</Typography>
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          {[`${count('over')} over`, `${count('unknown')} not assessed`, `${count('near')} near`].join(', ')}
        </Typography>
      </Box>
      {evaluation.pieces.length > 1 && (
        <Box sx={{ px: 1.5, pt: 0.75, pb: 1 }}>
          <ChoiceInput
            label="Limits of"
            value={only}
            empty="all pieces"
            options={evaluation.pieces.map((p) => ({ value: p.id, label: p.letter ? `${p.letter}, ${p.name}` : p.name }))}
            onChange={setAlone}
            onEmpty={() => setAlone(null)}
          />
        </Box>
      )}
      {wanting && (
        <Typography variant="caption" component="p" sx={{ px: 1.5, pb: 0.75, color: (t) => t.inks.unknown }}>
          {wanting.says}
        </Typography>
      )}
      {first && <Governing limit={first} />}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, overflowY: 'auto', flex: 1, minHeight: 120 }}>
        {heldUp(rest).map((l) => ('limits' in l ? <Lacking key={l.missing.join()} held={l} /> : <Level key={limitKey(l)} limit={l} />))}
      </Box>
    </Box>
  )
}

const useShown = (l: Limit) => {
  const units = useUnits()
  return { used: figureText(l.used.value, l.unit, units), allowed: figureText(l.allowed.value, l.unit, units) }
}

/** Which piece a limit is about, where the job has several. */
function PieceOf({ limit }: { limit: Limit }) {
  const pieces = useResult((s) => s.evaluation?.pieces) ?? []
  const own = pieces.find((p) => p.id === limit.pieceId)
  return own && pieces.length > 1 ? (
    <Typography component="span" variant="caption" sx={{ display: 'block', color: 'text.secondary', lineHeight: 1.2 }}>
      {own.letter ? `${own.letter}, ` : ''}
      {own.name}
    </Typography>
  ) : null
}

/** The one that governs, as a tall tide staff. */
function Governing({ limit }: { limit: Limit }) {
  const { inks } = useTheme()
  const colour = useStateColour()(limit.state)
  const shown = useShown(limit)
  const select = useView((s) => s.select)
  const [w, h] = [54, 132]
  const top = (share: number) => h - share * h
  const level = top(levelOf(limit.ratio))
  return (
    <Box
      role="group"
      aria-label={`Governing: ${limit.name}`}
      sx={{
        display: 'flex',
        gap: 1.5,
        px: 1.5,
        py: 1,
        borderTop: 1,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: (t) => t.inks.sheet,
      }}
      onMouseEnter={() => limit.ref && select(limit.ref)}
    >
      <svg width={w} height={h + 2} aria-hidden="true" style={{ flex: 'none' }}>
        <rect x={14} y={0} width={w - 28} height={h} fill={inks.roofFill} stroke={inks.quiet} />
        {limit.state === 'unknown' ? (
          <text x={w / 2} y={h / 2 + 8} textAnchor="middle" fontSize={26} fontWeight={600} fill={colour}>
            ?
          </text>
        ) : (
          <>
            <path
              d={`M14 ${level} q ${(w - 28) / 4} -5 ${(w - 28) / 2} 0 t ${(w - 28) / 2} 0 V ${h} H 14 Z`}
              fill={limit.state === 'over' ? inks.signal : inks.water}
              fillOpacity={limit.state === 'over' ? 0.75 : 1}
            />
            {[0.2, 0.4, 0.6, 0.8, 1].map((s) => (
              <line key={s} x1={14} x2={s === 1 ? 14 : 22} y1={top(s * LINE)} y2={top(s * LINE)} stroke={inks.quiet} />
            ))}
          </>
        )}
        <line x1={4} x2={w - 4} y1={top(LINE)} y2={top(LINE)} stroke={inks.signal} strokeWidth={2} />
      </svg>
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          Governs
        </Typography>
        <Typography sx={{ fontWeight: 600, lineHeight: 1.2 }}>{limit.name}</Typography>
        <PieceOf limit={limit} />
        <StateWord state={limit.state} ratio={limit.ratio} />
        <Box sx={{ mt: 0.5, fontSize: 15 }}>
          <WhyButton label={limit.name} content={() => <LimitWorking limit={limit} />}>
            {shown.used}
          </WhyButton>
          <Box component="span" sx={{ color: 'text.secondary', fontFamily: FIGURES }}>
            {' '}
            of {shown.allowed}
          </Box>
        </Box>
        {limit.state === 'unknown' && <Missing limit={limit} />}
        {limit.caution && (
          <Typography
            variant="caption"
            component="p"
            sx={{ color: (t) => (limit.state === 'clear' ? t.palette.text.secondary : t.inks.signal), mt: 0.5 }}
          >
            {limit.caution}
          </Typography>
        )}
      </Box>
    </Box>
  )
}

/** One thing that nobody knows, said once, with every limit that it holds up. */
function Lacking({ held }: { held: HeldUp }) {
  return (
    <Box component="li" sx={{ px: 1.5, py: 0.75, borderBottom: 1, borderColor: 'divider' }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, fontSize: 13.5 }}>
        <Box component="span" sx={{ color: (t) => t.inks.unknown, fontWeight: 600 }}>
          Missing: {held.missing.join(', ')}
        </Box>
        <StateWord state="unknown" ratio={null} />
      </Box>
      <Typography variant="caption" component="p" sx={{ color: 'text.secondary' }}>
        Holds up {held.limits.length} limits: {held.limits.map((l) => l.name).join('; ')}.
      </Typography>
    </Box>
  )
}

function Missing({ limit }: { limit: Limit }) {
  return (
    <Typography variant="caption" component="p" sx={{ color: (t) => t.inks.unknown, mt: 0.25 }}>
      Missing: {missingFor(limit).join(', ')}
    </Typography>
  )
}

function StateWord({ state, ratio }: { state: LimitState; ratio: number | null }) {
  const colour = useStateColour()(state)
  return (
    <Box component="span" sx={{ color: colour, fontWeight: 600, fontSize: 14, fontFamily: FIGURES, whiteSpace: 'nowrap' }}>
      <Box component="span" aria-hidden="true" sx={{ mr: '3px' }}>
        {stateMarks[state]}
      </Box>{' '}
      {stateWords[state]}
      {ratio === null ? '' : ratio >= 99 ? ', no room at all' : `, ${percentText(ratio)}`}
    </Box>
  )
}

/** One limit as a level lying on its side. */
function Level({ limit }: { limit: Limit }) {
  const { inks } = useTheme()
  const colour = useStateColour()(limit.state)
  const shown = useShown(limit)
  const select = useView((s) => s.select)
  return (
    <Box
      component="li"
      sx={{ px: 1.5, py: 0.75, borderBottom: 1, borderColor: 'divider' }}
      onMouseEnter={() => limit.ref && select(limit.ref)}
    >
      <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, fontSize: 13.5 }}>
        <span>
          {limit.name}
          <PieceOf limit={limit} />
        </span>
        <StateWord state={limit.state} ratio={limit.ratio} />
      </Box>
      <Box
        aria-hidden="true"
        sx={{
          position: 'relative',
          height: 9,
          my: 0.4,
          border: 1,
          borderColor: inks.line,
          bgcolor: inks.roofFill,
          overflow: 'hidden',
          ...(limit.state === 'unknown'
            ? { backgroundImage: `repeating-linear-gradient(45deg, transparent 0 4px, ${inks.line} 4px 6px)` }
            : {}),
        }}
      >
        <Box
          sx={{
            position: 'absolute',
            inset: 0,
            right: 'auto',
            width: '100%',
            transformOrigin: 'left',
            transform: `scaleX(${levelOf(limit.ratio)})`,
            bgcolor: limit.state === 'over' ? inks.signal : limit.state === 'near' ? inks.near : inks.water,
          }}
        />
        <Box
          sx={{
            position: 'absolute',
            left: `${LINE * 100}%`,
            top: 0,
            bottom: 0,
            width: 2,
            bgcolor: limit.state === 'over' ? inks.member : inks.signal,
          }}
        />
      </Box>
      <Box sx={{ fontSize: 13 }}>
        <WhyButton
          label={limit.name}
          content={() => <LimitWorking limit={limit} />}
          sx={{ color: limit.state === 'clear' ? undefined : colour }}
        >
          {shown.used}
        </WhyButton>
        <Box component="span" sx={{ color: 'text.secondary', fontFamily: FIGURES }}>
          {' '}
          of {shown.allowed}
        </Box>
      </Box>
      {limit.state === 'unknown' && <Missing limit={limit} />}
    </Box>
  )
}

/** Working of both sides of a limit, its caution, and the changes that would relieve it. */
function LimitWorking({ limit }: { limit: Limit }) {
  const job = useJob((s) => s.job)
  return (
    <Box>
      <StateWord state={limit.state} ratio={limit.ratio} />
      <Working figure={limit.used} />
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Allowed
      </Typography>
      <Working figure={limit.allowed} />
      {limit.state === 'unknown' && <Missing limit={limit} />}
      {limit.caution && (
        <Typography variant="caption" component="p" sx={{ color: (t) => t.inks.signal, mb: 1 }}>
          {limit.caution}
        </Typography>
      )}
      {job && (limit.state === 'over' || limit.state === 'near') && <Reliefs job={job} limitId={limitKey(limit)} />}
    </Box>
  )
}
