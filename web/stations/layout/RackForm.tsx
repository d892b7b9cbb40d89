import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { familyOf } from '../../../core/families/all'
import type { Job } from '../../../core/job/job'
import { editJob } from '../../job/jobStore'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { Group } from '../Group'
import { BoughtFoot } from './BoughtFoot'

/** The design family's own fields, as it lists them. */
export function RackForm({ job }: { job: Job }) {
  const family = familyOf(job.design)
  const params = job.design.params
  const set = (key: string, value: unknown) =>
    editJob((j) => {
      const checked = family.params.safeParse({ ...j.design.params, [key]: value })
      return checked.success ? { ...j, design: { ...j.design, params: checked.data } } : j
    })
  return (
    <Group title={family.title}>
      <BoughtFoot job={job} />
      {family.fields
        .filter((f) => !f.when || f.when(params, job.vehicle))
        .map((f) => {
          const value = params[f.key]
          if (f.kind === 'length')
            return (
              <QuantityInput
                key={f.key}
                label={f.label}
                dimension={f.gauge ? 'gauge' : 'length'}
                min={f.min}
                max={f.max}
                help={f.help}
                value={value as number}
                onChange={(v) => v !== null && set(f.key, v)}
              />
            )
          if (f.kind === 'switch')
            return (
              <FormControlLabel
                key={f.key}
                control={<Switch checked={value as boolean} onChange={(_, on) => set(f.key, on)} />}
                label={f.label}
              />
            )
          return (
            <ChoiceInput
              key={f.key}
              label={f.label}
              value={value as string}
              options={f.options(job.vehicle)}
              help={f.help}
              onChange={(v) => set(f.key, v)}
            />
          )
        })}
    </Group>
  )
}
