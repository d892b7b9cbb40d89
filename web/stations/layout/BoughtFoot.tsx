import { useState } from 'react'
import { familyOf } from '../../../core/families/all'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { useShelf } from '../../api/queries'
import { editJob } from '../../job/jobStore'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { useUnits } from '../../quantity/units'

/** The height of a foot that is really on the parts shelf, instead of a round number. A foot whose height nobody measured is not offered. */
export function BoughtFoot({ job }: { job: Job }) {
  const shelf = useShelf('parts')
  const units = useUnits()
  const [chosen, setChosen] = useState<string | null>(null)
  const feet = (shelf.data?.document ?? []).filter((p) => p.kind === 'foot' && p.heightMm !== null)
  if (!feet.length) return null
  const now = feet.find((f) => f.id === chosen && f.heightMm === job.design.params.footHeightMm)
  const take = (id: string) => {
    const foot = feet.find((f) => f.id === id)
    if (!foot || foot.heightMm === null) return
    const by = foot.heightMm - job.design.params.footHeightMm
    setChosen(id)
    editJob((j) => ({ ...j, design: { ...j.design, params: familyOf(j.design).resized(j.design.params, 'deck', by) } }))
  }
  return (
    <ChoiceInput
      label="Foot from the parts shelf"
      value={now?.id ?? null}
      empty="none chosen: height as typed"
      options={feet.map((f) => ({
        value: f.id,
        label: `${f.number} ${f.name}, ${figureText(f.heightMm, 'mm', { ...units, mmStep: 0.5 })}`,
      }))}
      onChange={take}
    />
  )
}
