import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { type Brief, loadClasses } from '../../../core/brief/brief'
import { uses } from '../../../core/brief/cargo'
import { figureText } from '../../../core/quantity/figureText'
import { editJob, useJob } from '../../job/jobStore'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { MoneyInput } from '../../quantity/MoneyInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'
import { ActingInputs } from '../ActingInputs'
import { Group } from '../Group'
import { OpenList } from '../OpenList'
import { Workbench } from '../Workbench'
import { CargoList } from './CargoList'
import { IntakeList } from './IntakeList'

export const setBrief = (patch: Partial<Brief>) => editJob((j) => ({ ...j, brief: { ...j.brief, ...patch } }))
const plain = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }))

/** What the client asked for, and what will be carried. */
export default function BriefStation() {
  const job = useJob((s) => s.job)
  if (!job) return null
  const { brief } = job
  const inputs = (
    <>
      <Client brief={brief} due={job.due} />
      <Use brief={brief} />
      <Passages passages={brief.passages} />
      <Money brief={brief} />
    </>
  )
  return (
    <Workbench
      job={job}
      inputs={inputs}
      middle={
        <Box sx={{ p: 1.5, height: '100%', overflowY: 'auto', bgcolor: (t) => t.inks.sheet }}>
          <CargoList job={job} />
          <IntakeList job={job} />
          <OpenList job={job} station="brief" />
        </Box>
      }
    />
  )
}

function Client({ brief, due }: { brief: Brief; due: string | null }) {
  return (
    <Group title="Client">
      <TextInput label="Client" value={brief.clientName} maxLength={120} onChange={(clientName) => setBrief({ clientName })} />
      <TextInput label="Contact" value={brief.contact} onChange={(contact) => setBrief({ contact })} />
      <TextInput
        label="What the vehicle does"
        value={brief.vehicleUse}
        maxLength={500}
        multiline
        onChange={(vehicleUse) => setBrief({ vehicleUse })}
      />
      <TextInput label="Due" type="date" value={due ?? ''} onChange={(due) => editJob((j) => ({ ...j, due: due || null }))} />
    </Group>
  )
}

/** What it is for, how often, on which roads and who goes up. */
function Use({ brief }: { brief: Brief }) {
  const units = useUnits()
  return (
    <Group title="Use">
      <ChoiceInput
        label="Load class agreed"
        value={brief.loadClass}
        empty="not agreed"
        onChange={(loadClass) => setBrief({ loadClass })}
        onEmpty={() => setBrief({ loadClass: null })}
        options={Object.entries(loadClasses).map(([value, c]) => ({
          value: value as keyof typeof loadClasses,
          label: `${c.name}, to ${figureText(c.mostKg, 'kg', units)}: ${c.means}`,
        }))}
        help="later wishes are held against it"
      />
      <Box role="group" aria-label="Kinds of use agreed" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1 }}>
        <Box sx={{ width: '100%', fontSize: 13, color: 'text.secondary' }}>Kinds of use agreed with it</Box>
        {uses.map((use) => (
          <FormControlLabel
            key={use}
            sx={{ m: 0, minWidth: 104 }}
            control={
              <Checkbox
                size="small"
                checked={brief.agreedUses.includes(use)}
                onChange={(_, on) => setBrief({ agreedUses: uses.filter((u) => (u === use ? on : brief.agreedUses.includes(u))) })}
              />
            }
            label={use}
          />
        ))}
      </Box>
      <ChoiceInput
        label="How often"
        value={brief.howOften}
        options={plain(['now and then', 'weekly', 'daily'] as const)}
        onChange={(howOften) => setBrief({ howOften })}
      />
      <ActingInputs brief={brief} set={setBrief} />
    </Group>
  )
}

function Passages({ passages }: { passages: Brief['passages'] }) {
  const setPassage = (i: number, patch: Partial<Brief['passages'][number]>) =>
    setBrief({ passages: passages.map((p, k) => (k === i ? { ...p, ...patch } : p)) })
  return (
    <Group
      title="Must pass under"
      action={
        <Button onClick={() => setBrief({ passages: [...passages, { name: '', heightMm: null }] })} disabled={passages.length >= 20}>
          Add
        </Button>
      }
    >
      {passages.length === 0 && <Box sx={{ fontSize: 14, color: 'text.secondary' }}>A garage, a ferry deck, a branch: add the lowest.</Box>}
      {passages.map((p, i) => (
        <Box key={i} sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 32px', gap: 1, alignItems: 'start' }}>
          <TextInput label="What" value={p.name} maxLength={80} onChange={(name) => setPassage(i, { name })} />
          <QuantityInput
            label="Clear height"
            optional
            min={500}
            max={10_000}
            value={p.heightMm}
            onChange={(heightMm) => setPassage(i, { heightMm })}
          />
          <RemoveButton of={p.name || 'passage'} onClick={() => setBrief({ passages: passages.filter((_, k) => k !== i) })} />
        </Box>
      ))}
    </Group>
  )
}

function Money({ brief }: { brief: Brief }) {
  return (
    <Group title="Money">
      <MoneyInput label="Budget" optional value={brief.budgetMinor} onChange={(budgetMinor) => setBrief({ budgetMinor })} />
      <MoneyInput
        label="Price of a ready-made one"
        optional
        value={brief.readyMadeMinor}
        onChange={(readyMadeMinor) => setBrief({ readyMadeMinor })}
      />
      <TextInput label="What the ready-made one is" value={brief.readyMadeNote} onChange={(readyMadeNote) => setBrief({ readyMadeNote })} />
    </Group>
  )
}
