import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Slider from '@mui/material/Slider'
import Typography from '@mui/material/Typography'
import type { Cure, Motion } from '../../../core/fit/motions'
import { withCure, withoutStop } from '../../../core/fit/withCure'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { useView } from '../../drawing/view'
import { editJob } from '../../job/jobStore'
import { useFit } from '../../job/useFit'
import { stateMarks } from '../../limits/states'
import { useUnits } from '../../quantity/units'
import { FIGURES } from '../../theme/theme'
import { Group } from '../Group'
import { useCureWords } from './cureWords'
import { StrutPanel } from './StrutPanel'

/** Lids, drawers, folds, doors and gates: moved by hand in every view, and what each meets on its way. */
export function MotionList({ job }: { job: Job }) {
  const fit = useFit()
  if (!fit?.motions.length) return null
  const worst = [...fit.motions].sort((a, b) => rank(a) - rank(b))
  return (
    <Group title="What moves">
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {worst.map((m) => (
          <MotionRow key={m.mover.id} motion={m} job={job} />
        ))}
      </Box>
    </Group>
  )
}
const rank = (m: Motion) => (m.touch ? 0 : m.lacks ? 1 : m.mover.pieceId ? 2 : 3)

function MotionRow({ motion, job }: { motion: Motion; job: Job }) {
  const { mover, touch, lacks, first } = motion
  const fit = useFit()
  const leaf = fit?.leaves.find((l) => l.mover.id === mover.id)
  const units = useUnits()
  const unit = mover.kind === 'turn' ? '°' : 'mm'
  const moving = useView((s) => s.moving)
  const move = useView((s) => s.move)
  const value = moving?.id === mover.id ? moving.value : mover.from
  const text = (v: number) => figureText(mover.kind === 'turn' ? Math.round(v) : v, unit, units)
  const state = touch ? 'over' : lacks ? 'unknown' : 'clear'
  return (
    <Box component="li" sx={{ borderBottom: 1, borderColor: 'divider', py: 0.9 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, fontSize: 14 }}>
        <span>{mover.name}</span>
        <Box
          component="span"
          sx={{
            color: (t) => ({ over: t.inks.signal, unknown: t.inks.unknown, clear: t.inks.clear })[state],
            fontWeight: 600,
            fontFamily: FIGURES,
          }}
        >
          <span aria-hidden="true">{stateMarks[state]}</span> {touch ? `meets at ${text(touch.at)}` : lacks ? 'not assessed' : 'free'}
        </Box>
      </Box>
      {touch && (
        <Typography variant="caption" component="p">
          {touch.part.name} meets {touch.what.name}.
        </Typography>
      )}
      {first && (
        <Typography variant="caption" component="p">
          Once the {first.name.toLowerCase()} stands aside.
        </Typography>
      )}
      {lacks && (
        <Typography variant="caption" component="p" sx={{ color: (t) => t.inks.unknown }}>
          Missing: {lacks}.
        </Typography>
      )}
      {motion.least && (
        <Typography variant="caption" component="p" sx={{ color: 'text.secondary' }}>
          Nearest pass: {figureText(motion.least.gapMm, 'gauge', units)} from {motion.least.what.name}, at {text(motion.least.at)}.
        </Typography>
      )}
      {mover.to !== null && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, pl: 1 }}>
          <Slider
            size="small"
            aria-label={`${mover.name}: how far`}
            min={mover.from}
            max={mover.to}
            step={mover.kind === 'turn' ? 1 : 5}
            value={value}
            marks={touch ? [{ value: touch.at, label: '' }] : false}
            getAriaValueText={text}
            onChange={(_, v) => move({ id: mover.id, value: v as number, firstId: first?.id ?? null })}
          />
          <Box component="span" sx={{ fontFamily: FIGURES, fontSize: 13, minWidth: 56, textAlign: 'right' }}>
            {text(value)}
          </Box>
        </Box>
      )}
      {leaf && <StrutPanel job={job} leaf={leaf} worked={fit?.struts.find((s) => s.struts.moverId === mover.id)} />}
      {job.stops[mover.id] !== undefined && (
        <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', fontSize: 13 }}>
          A stop is fitted at {text(job.stops[mover.id])}.
          <Button size="small" onClick={() => editJob((j) => withoutStop(j, mover.id))}>
            Without it
          </Button>
        </Box>
      )}
      {motion.cures.map((c, i) => (
        <CureButton key={i} cure={c} motion={motion} job={job} />
      ))}
    </Box>
  )
}

/** A change that was tried and clears the whole way; what the job can take by itself is done by pressing it. */
function CureButton({ cure, motion, job }: { cure: Cure; motion: Motion; job: Job }) {
  const words = useCureWords(cure, motion, job)
  const done = withCure(job, motion, cure)
  return done ? (
    <Button
      variant="outlined"
      size="small"
      fullWidth
      sx={{ mt: 0.5, justifyContent: 'flex-start', textAlign: 'left' }}
      onClick={() => editJob((j) => withCure(j, motion, cure) ?? j)}
    >
      {words}
    </Button>
  ) : (
    <Typography variant="caption" component="p" sx={{ color: 'text.secondary' }}>
      Would clear it: {words}.
    </Typography>
  )
}
