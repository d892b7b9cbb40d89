import Box from '@mui/material/Box'
import Chip from '@mui/material/Chip'
import type { JobPageOf } from '../api/queries'
import { stateMarks } from '../limits/states'

type Props = {
  tally: JobPageOf['tally'] | undefined
  state: string | null
  archived: boolean
  set: (key: string, value: string | null) => void
}

/** What is over, not assessed or late, each with how many; and what was put away. */
export function Filters({ tally, state, archived, set }: Props) {
  const states = [
    ['over', `${stateMarks.over} ${tally?.over ?? 0} over a limit`],
    ['unknown', `${stateMarks.unknown} ${tally?.unknown ?? 0} not assessed`],
    ['late', `${tally?.late ?? 0} late`],
  ] as const
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', my: 1.5 }} role="group" aria-label="Filter">
      {states.map(([key, label]) => (
        <Toggle key={key} label={label} on={state === key} press={() => set('state', state === key ? null : key)} />
      ))}
      <Toggle label="Archive" on={archived} press={() => set('archived', archived ? null : 'true')} />
    </Box>
  )
}

const Toggle = ({ label, on, press }: { label: string; on: boolean; press: () => void }) => (
  <Chip label={label} variant={on ? 'filled' : 'outlined'} color={on ? 'primary' : 'default'} onClick={press} aria-pressed={on} />
)
