import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { bearingMembers, memberLengthMm } from '../../../core/assembly/assembly'
import type { Job } from '../../../core/job/job'
import { type LoadTest, newLoadTest, plannedTest, verdictOf } from '../../../core/loadTest/loadTest'
import { figureText } from '../../../core/quantity/figureText'
import { G_M_S2 } from '../../../core/quantity/units'
import { editJob } from '../../job/jobStore'
import { evaluating, useResult, useRules } from '../../job/useEvaluation'
import { photoAddress, usePhotos } from '../../photos/usePhotos'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { FileButton } from '../../quantity/FileButton'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'

/** Proof loads: planned from what a bar carries, the sag they should make, what was measured, and what that says. Kept with the job. */
export function LoadTests({ job, id }: { job: Job; id: string }) {
  const evaluation = useResult((s) => s.evaluation)
  const rules = useRules()
  const units = useUnits()
  const [bar, setBar] = useState('0')
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState('')
  if (!evaluation) return null
  const bars = bearingMembers(evaluation.assembly)
  if (!bars.length) return <Typography sx={{ color: 'text.secondary' }}>No bars to load yet: add some at Layout.</Typography>
  const at = Math.min(Number(bar), bars.length - 1)
  const level = evaluation.cases.find((c) => c.case.id === 'cruise')
  const onBarKg = (feetDownN: number[] = []) =>
    evaluation.assembly.mounts.reduce((s, m, i) => s + (m.on === bars[at].id ? (feetDownN[i] ?? 0) : 0), 0) / G_M_S2
  const standingKg = onBarKg(level?.feetDownN)
  const worstKg = Math.max(...evaluation.cases.map((c) => onBarKg(c.feetDownN)))
  const plan = plannedTest(evaluation.assembly, at, { standingKg, worstKg }, rules)
  // a proof load from a part of what is carried would prove too little
  const lacks = level?.missing ?? []
  const add = async () => {
    setBusy(true)
    setFault('')
    try {
      const sag = await evaluating((api) => api.proofSag(job, rules, { memberId: bars[at].id, atMm: plan.atMm }, plan.loadKg))
      const test = newLoadTest({
        id: crypto.randomUUID(),
        barMark: bars[at].mark,
        profileId: bars[at].profileId,
        ...plan,
        ...sag,
        at: new Date().toISOString().slice(0, 16),
      })
      editJob((j) => ({ ...j, loadTests: [...j.loadTests, test] }))
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error))
    }
    setBusy(false)
  }
  return (
    <>
      <Group title="Plan a proof load">
        <ChoiceInput
          label="On"
          value={String(at)}
          options={bars.map((b, i) => ({ value: String(i), label: `Bar ${b.mark}, ${figureText(memberLengthMm(b), 'mm', units)}` }))}
          onChange={setBar}
        />
        {lacks.length > 0 && (
          <Alert severity="warning" icon={false}>
            How much it carries is not known for want of {lacks.join(', ')}: say that first.
          </Alert>
        )}
        <Typography variant="body2" hidden={lacks.length > 0}>
          {figureText(plan.loadKg, 'kg', units)} midway between its feet, {figureText(plan.atMm, 'mm', units)} from its left end:{' '}
          {rules.proofFactor} times what it carries standing, and no less than the worst case puts on it.
        </Typography>
        <Alert severity="warning" icon={false}>
          Nobody stands under or on it while it is loaded; lower the load on slowly, with stands close below.
        </Alert>
        <Button variant="outlined" onClick={() => void add()} disabled={busy || lacks.length > 0 || job.loadTests.length >= 100}>
          {busy ? 'Working out the sag…' : 'Put it on the list'}
        </Button>
        {fault && <Alert severity="error">{fault}</Alert>}
      </Group>
      <Group title="Load tests">
        {!job.loadTests.length && (
          <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>None yet. “It feels solid” is no test: plan one above.</Typography>
        )}
        {job.loadTests.map((t) => (
          <OneTest key={t.id} test={t} jobId={id} />
        ))}
      </Group>
    </>
  )
}

function OneTest({ test: t, jobId }: { test: LoadTest; jobId: string }) {
  const rules = useRules()
  const units = useUnits()
  const set = (patch: Partial<LoadTest>) =>
    editJob((j) => ({ ...j, loadTests: j.loadTests.map((o) => (o.id === t.id ? { ...o, ...patch } : o)) }))
  const verdict = verdictOf(t, rules)
  return (
    <Box sx={{ border: 1, borderColor: 'divider', p: 1, display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr' }}>
      <Box sx={{ gridColumn: '1 / 3', display: 'flex', gap: 0.5, alignItems: 'baseline' }}>
        <Typography sx={{ flex: 1, fontWeight: 600 }}>
          {figureText(t.loadKg, 'kg', units)} on {t.barMark}, {figureText(t.atMm, 'mm', units)} along
        </Typography>
        <RemoveButton
          of={`the test on ${t.barMark}`}
          onClick={() => editJob((j) => ({ ...j, loadTests: j.loadTests.filter((o) => o.id !== t.id) }))}
        />
      </Box>
      <Typography variant="body2" sx={{ gridColumn: '1 / 3' }}>
        Should sag {figureText(t.computedSagMm, 'gauge', units)}
        {t.clampedSagMm === null ? '' : `; ${figureText(t.clampedSagMm, 'gauge', units)} if its feet clamp it fully`}.
      </Typography>
      <Found test={t} set={set} />
      <Pictured test={t} jobId={jobId} set={set} />
      <Box sx={{ gridColumn: '1 / 3' }}>
        <TextInput label="Note" value={t.note} maxLength={500} onChange={(note) => set({ note })} />
      </Box>
      <Alert
        severity={verdict.passed ? 'success' : verdict.word === 'planned' ? 'info' : 'error'}
        icon={false}
        sx={{ gridColumn: '1 / 3' }}
      >
        <strong>{verdict.word}</strong>: {verdict.says}
      </Alert>
    </Box>
  )
}

type Fields = { test: LoadTest; set: (patch: Partial<LoadTest>) => void }

function Found({ test: t, set }: Fields) {
  return (
    <>
      <QuantityInput
        label="Sag under the load"
        dimension="gauge"
        optional
        min={-1000}
        max={1000}
        value={t.measuredSagMm}
        onChange={(measuredSagMm) => set({ measuredSagMm })}
      />
      <QuantityInput
        label="What stays after it"
        dimension="gauge"
        optional
        min={-1000}
        max={1000}
        value={t.setMm}
        onChange={(setMm) => set({ setMm })}
      />
      <TextInput label="Measured by" value={t.who} maxLength={80} onChange={(who) => set({ who })} />
    </>
  )
}

function Pictured({ test: t, jobId, set }: Fields & { jobId: string }) {
  const { photos, add, fault } = usePhotos(jobId)
  const shown = photos.find((p) => p.id === t.photoId)
  return (
    <>
      <ChoiceInput
        label="Photograph"
        value={t.photoId}
        empty={photos.length ? 'none' : 'none taken yet'}
        options={photos.map((p) => ({ value: p.id, label: p.name }))}
        onChange={(photoId) => set({ photoId })}
        onEmpty={() => set({ photoId: null })}
      />
      <FileButton
        named={`Photograph of the test on ${t.barMark}`}
        accept="image/jpeg,image/png,image/webp"
        camera
        disabled={add.isPending}
        onFile={(file) => add.mutate(file, { onSuccess: ({ id }) => set({ photoId: id }) })}
      >
        {add.isPending ? 'Sending…' : 'Photograph it'}
      </FileButton>
      {shown ? (
        <Box
          component="img"
          src={photoAddress(jobId, shown.id)}
          alt={`The test on ${t.barMark}: ${shown.name}`}
          loading="lazy"
          sx={{ width: '100%', height: 72, objectFit: 'cover', border: 1, borderColor: 'divider' }}
        />
      ) : (
        <span />
      )}
      {fault && (
        <Alert severity="error" sx={{ gridColumn: '1 / 3' }}>
          {fault.message}
        </Alert>
      )}
    </>
  )
}
