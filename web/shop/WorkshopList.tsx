import Box from '@mui/material/Box'
import type { Workshop } from '../../core/workshop/workshop'
import { useSaveShelf, useShelf } from '../api/queries'
import { QuantityInput } from '../quantity/QuantityInput'
import { CoatList } from './CoatList'
import { DieList } from './DieList'
import { HoleSawList } from './HoleSawList'
import { Kind, Part } from './listParts'
import { SawList } from './SawList'
import { TableList } from './TableList'
import { WelderList } from './WelderList'

/** Saws, dies, hole saws, the cutting table, welders and coats: what every design is checked against while it is drawn. */
export function WorkshopList() {
  const shelf = useShelf('shop')
  const save = useSaveShelf('shop')
  const w = shelf.data?.document.workshop
  const put = (patch: Partial<Workshop>) =>
    shelf.data &&
    save.mutate({
      revision: shelf.data.revision,
      document: { ...shelf.data.document, workshop: { ...shelf.data.document.workshop, ...patch } },
    })
  if (!w) return null
  return (
    <Part
      title="What it can do itself"
      about="Every design is checked against these while it is drawn. What is not listed is not there."
      fault={save.error}
    >
      <SawList workshop={w} put={put} />
      <DieList workshop={w} put={put} />
      <HoleSawList workshop={w} put={put} />
      <TableList workshop={w} put={put} />
      <WelderList workshop={w} put={put} />
      <CoatList workshop={w} put={put} />
      <Kind title="Everything else">
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))', maxWidth: 760 }}>
          <QuantityInput
            label="Largest drill"
            exact
            min={0}
            max={100}
            value={w.drillMostMm}
            onChange={(v) => v !== null && put({ drillMostMm: v })}
          />
          <QuantityInput
            label="Brake, length"
            min={0}
            max={20_000}
            value={w.brakeMm}
            onChange={(v) => v !== null && put({ brakeMm: v })}
            help="0 = there is none"
          />
          <QuantityInput
            label="Sent out, days"
            dimension="number"
            min={0}
            max={365}
            optional
            value={w.subcontractDays}
            onChange={(v) => put({ subcontractDays: v === null ? null : Math.round(v) })}
            help="empty = nothing is"
          />
        </Box>
      </Kind>
    </Part>
  )
}
