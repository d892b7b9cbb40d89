import Typography from '@mui/material/Typography'
import type { Cargo } from '../../../core/brief/cargo'
import type { Securing } from '../../../core/brief/securing'
import type { Job } from '../../../core/job/job'
import { useView } from '../../drawing/view'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { Group } from '../Group'
import { MountBolts } from './MountBolts'
import { StrapList } from './StrapList'
import { StrapNeeds } from './StrapNeeds'
import { setCargo } from './setCargo'

export const unsecured: Securing = { by: 'straps', blockedForward: false, blockHoldsN: null, friction: null, straps: [], bolts: null }

/** How each item is held: by bolts of its own, or by straps, strap by strap with their places; what that must hold, and which one is still missing. */
export function Straps({ job }: { job: Job }) {
  const select = useView((s) => s.select)
  const driving = job.brief.cargo.filter((c) => c.counts !== 'parked')
  if (!driving.length)
    return <Typography sx={{ color: 'text.secondary' }}>Nothing rides on it yet: say at Brief what is carried.</Typography>
  return driving.map((c) => (
    <Group key={c.id} title={c.name}>
      <div onFocusCapture={() => select(`cargo:${c.id}`)} style={{ display: 'grid', gap: 10 }}>
        <Held job={job} cargo={c} />
      </div>
    </Group>
  ))
}

function Held({ job, cargo: c }: { job: Job; cargo: Cargo }) {
  const s = c.securing
  const put = (patch: Partial<Securing>) => setCargo(c.id, { securing: { ...(s ?? unsecured), ...patch } })
  return (
    <>
      <ChoiceInput
        label="Held by"
        value={s?.by ?? null}
        empty="nobody said"
        options={[
          { value: 'straps', label: 'straps' },
          { value: 'bolts', label: 'bolts of its own' },
        ]}
        onChange={(by) => put({ by })}
        onEmpty={() => setCargo(c.id, { securing: null })}
      />
      {s?.by === 'bolts' && <MountBolts securing={s} put={put} />}
      {s?.by === 'straps' && <StrapList job={job} cargo={c} securing={s} put={put} />}
      <StrapNeeds job={job} cargo={c} />
    </>
  )
}
