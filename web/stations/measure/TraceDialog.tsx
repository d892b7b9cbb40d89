import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { useTheme } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import { type MouseEvent, useMemo, useState } from 'react'
import { withReading } from '../../../core/measure/settle'
import { quantityOf } from '../../../core/measure/sheets'
import { regularise, scaleOf } from '../../../core/measure/trace'
import { figureText } from '../../../core/quantity/figureText'
import type { Vehicle } from '../../../core/vehicle/vehicle'
import { editJob } from '../../job/jobStore'
import { type Photo, photoAddress } from '../../photos/usePhotos'
import { QuantityInput } from '../../quantity/QuantityInput'
import { useUnits } from '../../quantity/units'
import { reading, setMeasure, useMeasuring } from './measuring'

type Point = { x: number; y: number }

/** A picture as a backdrop: two points and their real distance give the scale, then the outline is traced and made of straight lines. */
export default function TraceDialog({
  id,
  photo,
  traces,
  onClose,
}: {
  id: string
  photo: Photo
  traces: Vehicle['traces']
  onClose: () => void
}) {
  const { inks } = useTheme()
  const units = useUnits()
  const [size, setSize] = useState({ width: 0, height: 0 })
  const [rule, setRule] = useState<Point[]>([])
  const [realMm, setRealMm] = useState<number | null>(null)
  const [points, setPoints] = useState<Point[]>([])
  const [closed, setClosed] = useState(true)
  const [tolerance, setTolerance] = useState(8)
  const field = useMeasuring((s) => s.field)
  const quantity = field ? quantityOf(field) : null
  const scale = rule.length === 2 && realMm !== null ? scaleOf(rule[0], rule[1], realMm) : null
  const result = useMemo(
    () =>
      scale && points.length > 1
        ? regularise(
            points.map((p) => ({ x: p.x * scale, y: p.y * scale })),
            tolerance,
            closed && points.length > 2,
          )
        : null,
    [scale, points, tolerance, closed],
  )
  const press = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const p = { x: ((event.clientX - box.left) / box.width) * size.width, y: ((event.clientY - box.top) / box.height) * size.height }
    if (rule.length < 2) setRule([...rule, p])
    else if (scale) setPoints([...points, p])
  }
  const mm = (v: number) => figureText(v, 'mm', units)
  const use = (lengthMm: number) => {
    if (quantity?.dimension !== 'length' || !result) return
    setMeasure(quantity, (s) => withReading(s, reading(lengthMm, `traced on ${photo.name}`, 'scan', Math.max(3, result.deviationMm))))
  }
  const keep = () => {
    if (!result || !scale) return
    editJob((j) => ({
      ...j,
      vehicle: {
        ...j.vehicle,
        traces: [
          ...j.vehicle.traces,
          {
            id: `trace-${Date.now()}`,
            photoId: photo.id,
            name: photo.name.slice(0, 80),
            mmPerUnit: scale,
            closed,
            points: result.points,
            deviationMm: result.deviationMm,
          },
        ].slice(-40),
      },
    }))
    onClose()
  }
  const mark = size.width / 160 || 4
  const onPicture = (p: Point) => (scale ? `${p.x / scale},${p.y / scale}` : '')
  const step =
    rule.length < 2
      ? `Press the ${rule.length === 0 ? 'first' : 'second'} end of something whose length you know: a tape in the picture, the wheelbase.`
      : scale === null
        ? 'Type its real length.'
        : 'Now press the corners of the outline, one after the other.'
  return (
    <Dialog open onClose={onClose} maxWidth="lg" aria-labelledby="trace-title">
      <DialogTitle id="trace-title">Trace {photo.name}</DialogTitle>
      <DialogContent>
        <Typography role="status" sx={{ mb: 1, fontWeight: 600 }}>
          {step}
        </Typography>
        <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: 'minmax(0,1fr) 260px' } }}>
          <Box sx={{ position: 'relative', lineHeight: 0 }}>
            <img
              src={photoAddress(id, photo.id)}
              alt={photo.name}
              style={{ width: '100%' }}
              onLoad={(e) => setSize({ width: e.currentTarget.naturalWidth, height: e.currentTarget.naturalHeight })}
            />
            {size.width > 0 && (
              // biome-ignore lint/a11y/useKeyWithClickEvents: points are placed by eye; lengths can always be typed instead
              <svg
                viewBox={`0 0 ${size.width} ${size.height}`}
                role="img"
                aria-label="Traced points"
                onClick={press}
                style={{ position: 'absolute', inset: 0, width: '100%', height: '100%', cursor: 'crosshair' }}
              >
                {traces
                  .filter((t) => t.photoId === photo.id)
                  .map((t) => (
                    <polygon
                      key={t.id}
                      points={t.points.map((p) => `${p.x / t.mmPerUnit},${p.y / t.mmPerUnit}`).join(' ')}
                      fill="none"
                      stroke={inks.waterDeep}
                      strokeWidth={mark / 2}
                    />
                  ))}
                {rule.length === 2 && (
                  <line x1={rule[0].x} y1={rule[0].y} x2={rule[1].x} y2={rule[1].y} stroke={inks.signal} strokeWidth={mark / 2} />
                )}
                {rule.map((p, i) => (
                  <circle key={`r${i}`} cx={p.x} cy={p.y} r={mark} fill={inks.signal} />
                ))}
                {result && (
                  <polygon
                    points={result.points.map(onPicture).join(' ')}
                    fill={inks.water}
                    fillOpacity={0.25}
                    stroke={inks.selected}
                    strokeWidth={mark / 2}
                  />
                )}
                {points.map((p, i) => (
                  <circle key={`p${i}`} cx={p.x} cy={p.y} r={mark * 0.8} fill={inks.selected} />
                ))}
              </svg>
            )}
          </Box>
          <Box sx={{ display: 'grid', gap: 1.5, alignContent: 'start' }}>
            <QuantityInput label="Real length between the two points" optional min={1} max={20_000} value={realMm} onChange={setRealMm} />
            <QuantityInput
              label="Straighten what is off by less than"
              min={0}
              max={500}
              value={tolerance}
              onChange={(v) => v !== null && setTolerance(v)}
            />
            <FormControlLabel control={<Switch checked={closed} onChange={(_, on) => setClosed(on)} />} label="The outline closes" />
            <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
              <Button
                variant="outlined"
                onClick={() => (points.length ? setPoints(points.slice(0, -1)) : setRule(rule.slice(0, -1)))}
                disabled={!points.length && !rule.length}
              >
                Last point away
              </Button>
              <Button
                onClick={() => {
                  setPoints([])
                  setRule([])
                }}
              >
                Begin again
              </Button>
            </Box>
            {result && (
              <Box>
                <Typography variant="h3">Sides</Typography>
                {result.sides.map((s, i) => (
                  <Box key={i} sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', fontSize: 14 }}>
                    <span>
                      {i + 1}: {mm(s.lengthMm)}
                      {s.squared ? ', square' : ''}
                    </span>
                    <Button disabled={quantity?.dimension !== 'length'} onClick={() => use(s.lengthMm)} aria-label={`Use side ${i + 1}`}>
                      Use
                    </Button>
                  </Box>
                ))}
                <Typography variant="caption" component="p" sx={{ color: 'text.secondary' }}>
                  Farthest point {mm(result.deviationMm)} off the lines; this goes along as the tolerance.
                  {quantity ? ` “Use” fills: ${quantity.label}.` : ' Choose a field first to use a side.'}
                </Typography>
              </Box>
            )}
            <Alert severity="warning" icon={false}>
              A photograph measures only what lies in one plane with the known length, seen straight on.
            </Alert>
          </Box>
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" disabled={!result} onClick={keep}>
          Keep the outline
        </Button>
      </DialogActions>
    </Dialog>
  )
}
