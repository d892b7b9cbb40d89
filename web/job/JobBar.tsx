import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import InputBase from '@mui/material/InputBase'
import MenuItem from '@mui/material/MenuItem'
import Select from '@mui/material/Select'
import { useEffect, useState } from 'react'
import { useStore } from 'zustand'
import type { Job } from '../../core/job/job'
import { editJob, redo, type SaveState, undo, useJob } from './jobStore'
import { saveNow } from './useAutosave'

const words: Record<SaveState, string> = {
  saved: 'saved',
  unsaved: 'to be saved',
  saving: 'saving…',
  failed: 'not saved',
  conflict: 'two versions',
}
const unitChoices = [
  ['metric', 16, 1, 'mm'],
  ['metric', 16, 0.5, 'mm, to 0.5'],
  ['inch', 16, 1, 'inch, 1/16'],
  ['inch', 32, 1, 'inch, 1/32'],
] as const

/** What the job is called, whether it is saved, undo, and the units it is shown in. */
export function JobBar({ job }: { job: Job }) {
  const [title, setTitle] = useState(job.title)
  const { saveState, saveFault, copyKept } = useJob()
  const { pastStates, futureStates } = useStore(useJob.temporal)
  useEffect(() => setTitle(job.title), [job.title])
  const chosen = unitChoices.findIndex(
    ([system, fraction, step]) =>
      system === job.units.system && (system === 'inch' ? fraction === job.units.fraction : step === job.units.mmStep),
  )
  const keep = () => {
    const text = title.trim()
    if (text) editJob((j) => (j.title === text ? j : { ...j, title: text }))
    else setTitle(job.title)
  }
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, px: 1.5, minHeight: 42, flexWrap: 'wrap' }}>
      <InputBase
        value={title}
        onChange={(e) => setTitle(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Enter') (e.target as HTMLInputElement).blur()
        }}
        inputProps={{ 'aria-label': 'Job title', maxLength: 120 }}
        sx={{
          fontSize: '1.2rem',
          fontWeight: 600,
          flex: '1 1 220px',
          maxWidth: 460,
          '& input': { py: 0.25, px: 0.5 },
          '& input:hover': { bgcolor: (t) => t.inks.sheet },
        }}
      />
      <Box component="span" sx={{ color: 'text.secondary', fontSize: 14, display: { xs: 'none', sm: 'inline' } }}>
        {job.brief.clientName}
      </Box>
      <Box sx={{ ml: 'auto', display: 'flex', alignItems: 'center', gap: 0.5, flexWrap: 'wrap' }}>
        <Box
          component="span"
          role="status"
          sx={{ fontSize: 13, color: saveState === 'failed' || saveState === 'conflict' ? 'error.main' : 'text.secondary', mr: 1 }}
        >
          {words[saveState]}
          {saveState !== 'saved' && !copyKept && ', and this browser keeps no copy: do not close it'}
        </Box>
        {saveState === 'failed' && (
          <>
            <Box component="span" role="alert" sx={{ fontSize: 13, color: 'error.main', maxWidth: 420 }}>
              {saveFault}
            </Box>
            <Button onClick={() => void saveNow()}>Save again</Button>
          </>
        )}
        <Button onClick={undo} disabled={pastStates.length === 0} aria-keyshortcuts="Control+Z">
          Undo
        </Button>
        <Button onClick={redo} disabled={futureStates.length === 0} aria-keyshortcuts="Control+Y">
          Redo
        </Button>
        <Select
          variant="standard"
          disableUnderline
          value={Math.max(0, chosen)}
          inputProps={{ 'aria-label': 'Units' }}
          onChange={(e) => {
            const [system, fraction, mmStep] = unitChoices[Number(e.target.value)]
            editJob((j) => ({ ...j, units: { system, fraction, mmStep } }))
          }}
          sx={{ fontSize: 14, fontWeight: 600, ml: 1 }}
        >
          {unitChoices.map(([, , , label], i) => (
            <MenuItem key={label} value={i}>
              {label}
            </MenuItem>
          ))}
        </Select>
      </Box>
    </Box>
  )
}
