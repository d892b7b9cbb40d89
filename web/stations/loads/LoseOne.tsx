import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Job } from '../../../core/job/job'
import type { Losable, WithoutOne } from '../../../core/loseOne/loseOne'
import { useView } from '../../drawing/view'
import { useRules } from '../../job/useEvaluation'
import { useSearch } from '../../job/useSearch'
import { stateMarks } from '../../limits/states'
import { Group } from '../Group'

/** What makes one failure of each kind harmless. */
const seconds: Record<Losable, string> = {
  foot: 'a second body point, or another foot under the same part',
  bolt: 'a second bolt beside it: one lost then leaves what stands today',
  weld: 'a gusset or a second weld on another side',
  strap: 'one more strap of the same kind',
}
const SHOWN = 8

/** The job solved again with any one foot, bolt, weld or strap gone: what then comes loose, and which deserves a second. */
export function LoseOne({ job }: { job: Job }) {
  const rules = useRules()
  const [found, setFound] = useState<{ list: WithoutOne[]; of: Job } | null>(null)
  const [all, setAll] = useState(false)
  const { busy, fault, run } = useSearch()
  const now = found?.of === job ? found.list : null
  const bad = now?.filter((w) => w.secondNeeded === true).length ?? 0
  const dark = now?.filter((w) => w.secondNeeded === null).length ?? 0
  return (
    <Group title="Lose one">
      {busy ? (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Typography role="status" sx={{ flex: 1 }}>
            Taking one away at a time…
          </Typography>
          <Button variant="outlined" onClick={busy.stop}>
            Stop
          </Button>
        </Box>
      ) : (
        <Button
          variant="outlined"
          disabled={!job.pieces.length}
          onClick={() =>
            void run(
              (bench) => bench.run((api) => api.loseOne(job, rules)),
              (list) => setFound({ list, of: job }),
            )
          }
        >
          What if one is lost?
        </Button>
      )}
      {fault && <Alert severity="error">{fault}</Alert>}
      {found && !now && <Typography variant="caption">The job has changed since: ask again.</Typography>}
      {now && (
        <>
          <Typography variant="body2">
            {now.length} taken away one by one: {bad} {bad === 1 ? 'deserves' : 'deserve'} a second
            {dark ? `, ${dark} not assessed` : ''}.
          </Typography>
          <Box component="ol" aria-label="With one lost" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 0.75 }}>
            {(all ? now : now.slice(0, SHOWN)).map((w) => (
              <One key={w.id} of={w} />
            ))}
          </Box>
          {now.length > SHOWN && (
            <Button onClick={() => setAll(!all)} sx={{ justifySelf: 'start' }}>
              {all ? 'Fewer' : `All ${now.length}`}
            </Button>
          )}
          <Typography variant="caption" sx={{ color: 'text.secondary' }}>
            It asks what one failure leads to, not how likely it is. Local codes and a licensed engineer say what must be doubled.
          </Typography>
        </>
      )}
    </Group>
  )
}

const stateOf = (w: WithoutOne) => (w.secondNeeded === null ? 'unknown' : w.secondNeeded ? 'over' : 'clear')

function One({ of: w }: { of: WithoutOne }) {
  const takeUp = useView((s) => s.takeUp)
  return (
    <Box
      component="li"
      sx={{
        borderLeft: 4,
        borderColor: (t) => ({ over: t.inks.signal, unknown: t.inks.unknown, clear: t.inks.waterDeep })[stateOf(w)],
        pl: 1,
      }}
    >
      <Box
        component="button"
        type="button"
        onClick={() => w.pieceId && takeUp(w.pieceId)}
        sx={{
          border: 0,
          p: 0,
          bgcolor: 'transparent',
          font: 'inherit',
          fontWeight: 600,
          color: 'inherit',
          textAlign: 'left',
          cursor: w.pieceId ? 'pointer' : 'default',
        }}
      >
        {stateMarks[stateOf(w)]} {w.name}
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {consequence(w)}
        {w.secondNeeded ? ` Deserves a second: ${seconds[w.kind]}.` : ''}
      </Typography>
    </Box>
  )
}

const percent = (ratio: number): string => (ratio > 9.99 ? 'more than 999 %' : `${Math.round(ratio * 100)} %`)

function consequence({ falls, then }: WithoutOne): string {
  if (falls) return `Nothing else holds ${falls}.`
  if (!then) return 'Nothing bears more than before.'
  if (then.ratio === null) return `${then.at}: not assessed, missing ${then.missing.join(', ')}.`
  const from = then.before === null ? '' : `, from ${percent(then.before)}`
  return `Then most used: ${then.at}, ${percent(then.ratio)} of ${then.limit.charAt(0).toLowerCase()}${then.limit.slice(1)}${from}.`
}
