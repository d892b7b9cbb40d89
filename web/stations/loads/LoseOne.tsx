import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import type { Job } from '../../../core/job/job'
import type { Losable, WithoutOne } from '../../../core/loseOne/loseOne'
import { useView } from '../../drawing/view'
import { useAsked } from '../../job/useAsked'
import { useRules } from '../../job/useEvaluation'
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
  const [all, setAll] = useState(false)
  const { busy, fault, press, answer: now, stale } = useAsked(job, (bench) => bench.run((api) => api.loseOne(job, rules)))
  const groups = useMemo(() => alike(now ?? []), [now])
  const bad = now?.filter((w) => w.secondNeeded === true).length ?? 0
  const dark = now?.filter((w) => w.secondNeeded === null).length ?? 0
  return (
    <Group title="Lose one">
      {busy ? (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Typography role="status" sx={{ flex: 1 }}>
            Taking one away at a time…
          </Typography>
          <Button variant="outlined" onClick={press}>
            Stop
          </Button>
        </Box>
      ) : (
        <Button variant="outlined" disabled={!job.pieces.length} onClick={press}>
          What if one is lost?
        </Button>
      )}
      {fault && <Alert severity="error">{fault}</Alert>}
      {stale && <Typography variant="caption">The job has changed since: ask again.</Typography>}
      {now && (
        <>
          <Typography variant="body2">
            {now.length} taken away one by one: {bad} {bad === 1 ? 'deserves' : 'deserve'} a second
            {dark ? `, ${dark} not assessed` : ''}.
          </Typography>
          <Box component="ol" aria-label="With one lost" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 0.75 }}>
            {(all ? groups : groups.slice(0, SHOWN)).map((g) => (
              <Alike key={g[0].id} of={g} />
            ))}
          </Box>
          {groups.length > SHOWN && (
            <Button onClick={() => setAll(!all)} sx={{ justifySelf: 'start' }}>
              {all ? 'Fewer' : `All ${groups.length}`}
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

/** Those of one kind and piece with the same end are told together. */
function alike(list: WithoutOne[]): [WithoutOne, ...WithoutOne[]][] {
  const groups = new Map<string, [WithoutOne, ...WithoutOne[]]>()
  for (const w of list) {
    const key = [w.kind, w.pieceId, w.falls ? 'falls' : consequence(w)].join('|')
    const found = groups.get(key)
    if (found) found.push(w)
    else groups.set(key, [w])
  }
  return [...groups.values()]
}

function Alike({ of }: { of: [WithoutOne, ...WithoutOne[]] }) {
  const takeUp = useView((s) => s.takeUp)
  const [first, ...rest] = of
  const names = [first.name, ...rest.map((w) => w.name.replace(/^(Foot|Weld) /, ''))].join(', ')
  const falling = [...new Set(of.flatMap((w) => w.falls?.split(', ') ?? []))].join(', ')
  return (
    <Box
      component="li"
      sx={{
        borderLeft: 4,
        borderColor: (t) => ({ over: t.inks.signal, unknown: t.inks.unknown, clear: t.inks.waterDeep })[stateOf(first)],
        pl: 1,
      }}
    >
      <Box
        component="button"
        type="button"
        onClick={() => first.pieceId && takeUp(first.pieceId)}
        sx={{
          border: 0,
          p: 0,
          bgcolor: 'transparent',
          font: 'inherit',
          fontWeight: 600,
          color: 'inherit',
          textAlign: 'left',
          cursor: first.pieceId ? 'pointer' : 'default',
        }}
      >
        {stateMarks[stateOf(first)]} {names}
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {falling ? `Nothing else holds ${falling}${rest.length ? ', each its own' : ''}.` : consequence(first)}
        {first.secondNeeded ? ` Deserves a second: ${seconds[first.kind]}.` : ''}
      </Typography>
    </Box>
  )
}

const percent = (ratio: number): string => (ratio > 9.99 ? 'more than 999 %' : `${Math.round(ratio * 100)} %`)

function consequence({ next }: WithoutOne): string {
  if (!next) return 'Nothing bears more than before.'
  if (next.ratio === null) return `${next.at}: not assessed, missing ${next.missing.join(', ')}.`
  const from = next.before === null ? '' : `, from ${percent(next.before)}`
  return `Then most used: ${next.at}, ${percent(next.ratio)} of ${next.limit.charAt(0).toLowerCase()}${next.limit.slice(1)}${from}.`
}
