import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { Job } from '../../../core/job/job'
import { axlesFromPads, type DeviceReading, readDeviceLine } from '../../../core/measure/deviceLine'
import { withReading } from '../../../core/measure/settle'
import { measureOf, quantityOf, rangeOf } from '../../../core/measure/sheets'
import { simulatedAngleFinder, simulatedPads, simulatedTape } from '../../devices/simulated'
import { editJob, useJob } from '../../job/jobStore'
import { Group } from '../Group'
import { reading, setMeasure, useMeasuring } from './measuring'

/** Readings from devices go to the field that is highlighted; what is no reading is refused and said. Here the devices are stand-ins. */
export function DevicePanel({ job }: { job: Job }) {
  const [inch, setInch] = useState(false)
  const [wrong, setWrong] = useState(false)
  const [said, setSaid] = useState<{ ok: boolean; text: string } | null>(null)
  const field = useMeasuring((s) => s.field)
  const quantity = field ? quantityOf(field) : null
  const pads = useRef<Partial<Record<'FL' | 'FR' | 'RL' | 'RR', number>>>({})
  const devices = useMemo(
    () => ({ tape: simulatedTape({ unit: inch ? 'in' : 'mm', wrongButton: wrong }), angle: simulatedAngleFinder({ wrongButton: wrong }) }),
    [inch, wrong],
  )

  useEffect(() => {
    const onLine = (line: string) => {
      const read = readDeviceLine(line)
      setSaid(read.ok ? fill(read.reading) : { ok: false, text: read.message })
    }
    devices.tape.start(onLine)
    devices.angle.start(onLine)
    return () => {
      devices.tape.stop()
      devices.angle.stop()
    }
  }, [devices])

  const near = quantity ? measureOf(job.vehicle, quantity).value : null
  const weigh = () => {
    pads.current = {}
    const device = simulatedPads({ frontKg: job.vehicle.kerbFrontKg.value ?? 1100, rearKg: job.vehicle.kerbRearKg.value ?? 900 })
    device.start((line) => {
      const read = readDeviceLine(line)
      if (read.ok && read.reading.device === 'pad') pads.current[read.reading.pad] = read.reading.massKg
    })
    device.press(null)
    device.stop()
    const { frontKg, rearKg } = axlesFromPads(pads.current)
    if (frontKg === null || rearKg === null) return setSaid({ ok: false, text: 'a pad said nothing; roll the vehicle on again' })
    editJob((j) => ({
      ...j,
      vehicle: {
        ...j.vehicle,
        kerbFrontKg: withReading({ ...j.vehicle.kerbFrontKg, readings: [], value: null }, reading(frontKg, `${frontKg} kg`, 'weighed')),
        kerbRearKg: withReading({ ...j.vehicle.kerbRearKg, readings: [], value: null }, reading(rearKg, `${rearKg} kg`, 'weighed')),
      },
    }))
    setSaid({ ok: true, text: `front axle ${frontKg} kg, rear axle ${rearKg} kg, as weighed` })
  }
  return (
    <Group title="Devices (simulated stand-ins)">
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        {quantity ? `The next reading goes to: ${quantity.label}` : 'Choose a field first: the next reading goes there.'}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" onMouseDown={(e) => e.preventDefault()} onClick={() => devices.tape.press(near)} sx={{ minHeight: 40 }}>
          Press the tape
        </Button>
        <Button variant="outlined" onMouseDown={(e) => e.preventDefault()} onClick={() => devices.angle.press(near)} sx={{ minHeight: 40 }}>
          Press the angle finder
        </Button>
        <Button variant="outlined" onClick={weigh} sx={{ minHeight: 40 }}>
          Read the weigh pads
        </Button>
      </Box>
      <FormControlLabel control={<Switch checked={inch} onChange={(_, on) => setInch(on)} />} label="The tape is set to inches" />
      <FormControlLabel control={<Switch checked={wrong} onChange={(_, on) => setWrong(on)} />} label="Wrong button: it sends rubbish" />
      <Box role="status">
        {said && (
          <Alert severity={said.ok ? 'success' : 'warning'} icon={false}>
            {said.text}
          </Alert>
        )}
      </Box>
    </Group>
  )
}

/** Puts a reading into the highlighted field, or says why not. */
function fill(r: DeviceReading): { ok: boolean; text: string } {
  const { field } = useMeasuring.getState()
  const quantity = field ? quantityOf(field) : null
  if (!useJob.getState().job || !quantity) return { ok: false, text: `${r.text} came, but no field is chosen: choose one and press again` }
  const given =
    r.device === 'tape'
      ? { dimension: 'length', value: r.lengthMm, method: 'tape' as const }
      : r.device === 'angle'
        ? { dimension: 'angle', value: r.angleDeg, method: 'angle finder' as const }
        : { dimension: 'mass', value: r.massKg, method: 'weighed' as const }
  if (given.dimension !== quantity.dimension)
    return { ok: false, text: `${r.text} is no ${quantity.dimension}: ${quantity.label} was left as it was` }
  const { min, max } = rangeOf(quantity)
  if (given.value < min || given.value > max) return { ok: false, text: `${r.text} cannot be right: ${quantity.label} was left as it was` }
  setMeasure(quantity, (s) => withReading(s, reading(given.value, r.text, given.method)))
  return { ok: true, text: `${quantity.label}: ${r.text}` }
}
