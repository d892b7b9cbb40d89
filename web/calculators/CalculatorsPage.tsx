import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { useMutation, useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { NavLink, useNavigate, useParams } from 'react-router'
import { type DisplayUnits, INCH, METRIC } from '../../core/quantity/units'
import { ApiError, call } from '../api/client'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { UnitsContext } from '../quantity/units'
import { FIGURES } from '../theme/theme'
import type { JsonSchema } from './jsonSchema'
import { SchemaForm } from './SchemaForm'
import { Value } from './Value'

type Entry = { name: string; title: string; about: string; formula: string; source: string; example: unknown; group: string }

/** Every registered calculation: form from its schema, result, formula, source and example; the same over HTTP and on the command line. */
export default function CalculatorsPage() {
  const { name } = useParams()
  const navigate = useNavigate()
  const [units, setUnits] = useState<DisplayUnits>(METRIC)
  const list = useQuery({ queryKey: ['calculators'], queryFn: () => call<Entry[]>('/calculators'), staleTime: Number.POSITIVE_INFINITY })
  const chosen = list.data?.find((c) => c.name === name) ?? list.data?.[0]
  useEffect(() => {
    document.title = `${chosen?.title ?? 'Calculators'}, Tide Line`
  }, [chosen])
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '230px minmax(0,1fr)' },
        maxWidth: 1240,
        mx: 'auto',
        gap: { xs: 2, md: 4 },
        px: { xs: 1.5, sm: 3 },
        py: 2,
      }}
    >
      <Box component="nav" aria-label="Calculators">
        <Typography variant="h1" sx={{ mb: 1.5 }}>
          Calculators
        </Typography>
        <Box sx={{ display: { xs: 'block', md: 'none' } }}>
          <ChoiceInput
            label="Calculator"
            value={chosen?.name ?? null}
            options={(list.data ?? []).map((c) => ({ value: c.name, label: `${c.group}: ${c.title}` }))}
            onChange={(to) => void navigate(`/calculators/${to}`)}
          />
        </Box>
        <Contents list={list.data ?? []} chosen={chosen?.name ?? null} />
        <UnitsChoice units={units} set={setUnits} />
      </Box>
      <UnitsContext value={units}>
        {list.error && (
          <Alert severity="error" action={<Button onClick={() => void list.refetch()}>Try again</Button>}>
            {list.error.message}
          </Alert>
        )}
        {!list.data && !list.error && <Typography role="status">Fetching the calculators…</Typography>}
        {chosen && <Calculator key={chosen.name} entry={chosen} />}
      </UnitsContext>
    </Box>
  )
}

/** All of them by what they are about; on a phone the list above stands for it. */
function Contents({ list, chosen }: { list: Entry[]; chosen: string | null }) {
  return (
    <>
      {[...new Set(list.map((c) => c.group))].map((group) => (
        <Box key={group} sx={{ mb: 1.5, display: { xs: 'none', md: 'block' } }}>
          <Typography variant="h3" sx={{ mb: 0.25 }}>
            {group}
          </Typography>
          {list
            .filter((c) => c.group === group)
            .map((c) => (
              <Box
                key={c.name}
                component={NavLink}
                to={`/calculators/${c.name}`}
                sx={{
                  display: 'block',
                  py: 0.5,
                  pl: 1.25,
                  color: 'text.primary',
                  textDecoration: 'none',
                  borderLeft: 3,
                  borderColor: c.name === chosen ? 'primary.main' : 'divider',
                  fontWeight: c.name === chosen ? 600 : 400,
                }}
              >
                {c.title}
              </Box>
            ))}
        </Box>
      ))}
    </>
  )
}

function UnitsChoice({ units, set }: { units: DisplayUnits; set: (units: DisplayUnits) => void }) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={units.system}
      onChange={(_, v: 'metric' | 'inch' | null) => v && set(v === 'inch' ? INCH : METRIC)}
      aria-label="Units"
      sx={{ mt: 2 }}
    >
      <ToggleButton value="metric" sx={{ py: 0.25 }}>
        Metric
      </ToggleButton>
      <ToggleButton value="inch" sx={{ py: 0.25 }}>
        Inch
      </ToggleButton>
    </ToggleButtonGroup>
  )
}

function Calculator({ entry }: { entry: Entry }) {
  const schema = useQuery({
    queryKey: ['calculator', entry.name],
    queryFn: () => call<JsonSchema>(`/calculators/${entry.name}`),
    staleTime: Number.POSITIVE_INFINITY,
  })
  const [given, setGiven] = useState<unknown>(entry.example)
  const run = useMutation({ mutationFn: (value: unknown) => call<unknown>(`/calculators/${entry.name}`, { method: 'POST', json: value }) })
  const { mutate } = run
  useEffect(() => {
    const timer = setTimeout(() => mutate(given), 250)
    return () => clearTimeout(timer)
  }, [given, mutate])
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography variant="h2" sx={{ fontSize: '1.2rem' }}>
        {entry.title}
      </Typography>
      <Typography sx={{ color: 'text.secondary', mb: 2 }}>{entry.about}</Typography>
      <Box sx={{ display: 'grid', gap: 3, gridTemplateColumns: { xs: '1fr', lg: 'minmax(0,1.3fr) minmax(0,1fr)' } }}>
        <Box component="section" aria-label="Given">
          {schema.data ? (
            <SchemaForm schema={schema.data} field={entry.name} value={given} onChange={setGiven} />
          ) : (
            <Typography role="status">Making the form…</Typography>
          )}
          <Button sx={{ mt: 2 }} onClick={() => setGiven(entry.example)}>
            Back to the example
          </Button>
        </Box>
        <Box
          component="section"
          aria-label="Result"
          aria-live="polite"
          sx={{ border: 1, borderColor: 'divider', bgcolor: 'background.paper', p: 2, alignSelf: 'start', minWidth: 0 }}
        >
          <Typography variant="h3" gutterBottom>
            Result
          </Typography>
          {run.error ? (
            <Alert severity="error">
              {run.error instanceof ApiError
                ? run.error.faults.map((f) => (
                    <div key={f.where + f.expected}>
                      <b>{f.where}</b>: {f.expected}
                    </div>
                  ))
                : String(run.error)}
            </Alert>
          ) : run.data === undefined ? (
            <Typography variant="caption">Working…</Typography>
          ) : (
            <Value value={run.data} field="" />
          )}
          <Box component="p" sx={{ mt: 2, mb: 0.5, fontFamily: FIGURES, borderLeft: 3, borderColor: 'primary.main', pl: 1 }}>
            {entry.formula}
          </Box>
          <Typography variant="caption" component="p" sx={{ color: 'text.secondary' }}>
            Source: {entry.source}
          </Typography>
          <Typography variant="caption" component="p" sx={{ color: 'text.secondary', mt: 1 }}>
            On the command line: bin/tideline calc {entry.name} &lt; in.json, with lengths in mm, masses in kg.
          </Typography>
        </Box>
      </Box>
    </Box>
  )
}
