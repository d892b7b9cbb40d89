import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { BriefSchema } from '../../core/brief/brief'
import { drawView } from '../../core/drawing/views'
import { families } from '../../core/families/all'
import type { ListedFamily } from '../../core/families/design'
import { familyGroups, type Site } from '../../core/families/family'
import type { Job } from '../../core/job/job'
import { homeFor } from '../../core/pieces/homeFor'
import { newPiece } from '../../core/pieces/piece'
import { wholeOf } from '../../core/pieces/whole'
import { SheetView } from '../drawing/SheetView'
import { useView } from '../drawing/view'
import { editJob } from '../job/jobStore'
import { useRules } from '../job/useEvaluation'

/** Which way each group is best seen. */
const seenFrom = { 'over the cab': 'rear' } as const
const noMarks = new Map<string, never>()

/** The families by where they belong, each drawn as it would begin on this very vehicle; one that does not fit says what it lacks. */
export function AddPiece({ job, onClose }: { job: Job; onClose: () => void }) {
  const rules = useRules()
  const takeUp = useView((s) => s.takeUp)
  const site: Site = useMemo(
    () => ({ vehicle: job.vehicle, brief: job.brief, rules, below: null, state: 'fitted' }),
    [job.vehicle, job.brief, rules],
  )
  const built = useMemo(() => wholeOf(job, rules).built, [job, rules])
  const add = (family: ListedFamily) => {
    let id: string | null = null
    editJob((j) => {
      const home = homeFor(family, wholeOf(j, rules).built, { ...site, vehicle: j.vehicle, brief: j.brief })
      const piece = newPiece(family.id, j.pieces, home.site, home.on)
      id = piece?.id ?? null
      return piece ? { ...j, pieces: [...j.pieces, piece] } : j
    })
    takeUp(id)
    onClose()
  }
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="add-piece-title">
      <DialogTitle id="add-piece-title">Add a piece</DialogTitle>
      <DialogContent>
        {familyGroups.map((group) => {
          const own = families.filter((f) => f.group === group)
          return (
            own.length > 0 && (
              <Box component="section" key={group} aria-label={group} sx={{ mb: 2.5 }}>
                <Typography variant="h2" sx={{ mb: 1, '&::first-letter': { textTransform: 'uppercase' } }}>
                  {group}
                </Typography>
                <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 250px), 1fr))' }}>
                  {own.map((f) => (
                    <Card key={f.id} family={f} job={job} site={homeFor(f, built, site).site} add={() => add(f)} />
                  ))}
                </Box>
              </Box>
            )
          )
        })}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  )
}

function Card({ family, job, site, add }: { family: ListedFamily; job: Job; site: Site; add: () => void }) {
  const misfit = family.fits(site)
  const view = seenFrom[family.group as keyof typeof seenFrom] ?? 'side'
  const sheet = useMemo(() => {
    const { assembly } = family.design(family.start(site), site).assembled()
    const drawn = drawView(view, { ...assembly, dimensions: [] }, job.vehicle, BriefSchema.parse({}))
    return {
      ...drawn,
      entities: drawn.entities.filter((e) => e.kind !== 'dimension' && e.kind !== 'text' && e.layer !== 'swing' && e.layer !== 'mark'),
    }
  }, [family, site, job.vehicle, view])
  return (
    <Box component="article" aria-label={family.title} sx={{ border: 1, borderColor: 'divider', display: 'flex', flexDirection: 'column' }}>
      <Box
        sx={{
          height: 130,
          bgcolor: (t) => t.inks.sheet,
          borderBottom: 1,
          borderColor: 'divider',
          opacity: misfit ? 0.45 : 1,
          pointerEvents: 'none',
        }}
        aria-hidden="true"
      >
        <SheetView sheet={sheet} handles={[]} marks={noMarks} selected={null} onSelect={() => undefined} actions={null} />
      </Box>
      <Box sx={{ p: 1.25, display: 'grid', gap: 0.75, flex: 1, alignContent: 'start' }}>
        <Typography sx={{ fontWeight: 600 }}>{family.title}</Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {family.says}
        </Typography>
        {misfit && (
          <Typography variant="body2" sx={{ color: (t) => t.inks.unknown }}>
            Not here yet: {misfit}.
          </Typography>
        )}
      </Box>
      <Box sx={{ p: 1.25, pt: 0 }}>
        <Button variant="outlined" fullWidth onClick={add} disabled={misfit !== null} aria-label={`Add ${family.title.toLowerCase()}`}>
          Add
        </Button>
      </Box>
    </Box>
  )
}
