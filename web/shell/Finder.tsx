import Autocomplete from '@mui/material/Autocomplete'
import Dialog from '@mui/material/Dialog'
import DialogContent from '@mui/material/DialogContent'
import TextField from '@mui/material/TextField'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { call } from '../api/client'
import type { JobPageOf } from '../api/queries'

type Entry = { label: string; group: string; to: string }
const STATIONS = [
  ['brief', 'Brief'],
  ['measure', 'Measure'],
  ['layout', 'Layout'],
  ['loads', 'Loads'],
  ['fit', 'Fit'],
  ['cut', 'Cut'],
  ['hand-over', 'Hand-over'],
]
const PLACES: Entry[] = [
  ['/', 'Slipway'],
  ['/vehicles', 'Vehicles'],
  ['/stock', 'Stock rack'],
  ['/parts', 'Bought parts'],
  ['/rules', 'Shop rules'],
  ['/calculators', 'Calculators'],
].map(([to, label]) => ({ to, label, group: 'Places' }))

/** Type a few letters, press Enter, be there. */
export default function Finder({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState('')
  const navigate = useNavigate()
  const here = /^\/jobs\/([^/]+)/.exec(useLocation().pathname)?.[1]
  const jobs = useQuery({
    queryKey: ['jobs', 'find', text],
    queryFn: () => call<JobPageOf>(`/jobs?limit=12&search=${encodeURIComponent(text.slice(0, 100))}`),
  })
  const calculators = useQuery({ queryKey: ['calculators'], queryFn: () => call<{ name: string; title: string }[]>('/calculators') })
  const entries: Entry[] = [
    ...(here ? STATIONS.map(([s, label]) => ({ label: `${label}, this job`, group: 'Stations', to: `/jobs/${here}/${s}` })) : []),
    ...(jobs.data?.rows ?? []).map((r) => ({
      label: `${r.title}${r.client ? `, ${r.client}` : ''}`,
      group: 'Jobs',
      to: `/jobs/${r.id}/${r.station}`,
    })),
    ...PLACES,
    ...(calculators.data ?? []).map((c) => ({ label: c.title, group: 'Calculators', to: `/calculators/${c.name}` })),
  ]
  return (
    <Dialog open onClose={onClose} maxWidth="sm" aria-label="Find" sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' } }}>
      <DialogContent>
        <Autocomplete<Entry>
          open
          autoHighlight
          options={entries}
          groupBy={(e) => e.group}
          getOptionKey={(e) => e.to + e.label}
          loading={jobs.isLoading}
          noOptionsText="Nothing of that name"
          filterOptions={(all, s) => all.filter((e) => e.group === 'Jobs' || e.label.toLowerCase().includes(s.inputValue.toLowerCase()))}
          onInputChange={(_, value) => setText(value)}
          slotProps={{ listbox: { sx: { maxHeight: '50vh' } } }}
          onChange={(_, entry) => {
            if (entry) {
              onClose()
              void navigate(entry.to)
            }
          }}
          renderInput={(params) => <TextField {...params} autoFocus label="Find a job, station, page or calculator" />}
        />
      </DialogContent>
    </Dialog>
  )
}
