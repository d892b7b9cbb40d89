import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { type ReactNode, useMemo, useState } from 'react'
import { holeEntity } from '../../core/drawing/holeEntity'
import { bounds, type Entity, type Sheet } from '../../core/drawing/sheet'
import { type DrawingUnit, readFlatDxf } from '../../core/exchange/flatDxf'
import type { Field } from '../../core/families/design'
import { counted } from '../../core/quantity/counted'
import { withLengths } from '../../core/quantity/figureText'
import { formatLength } from '../../core/quantity/formatQuantity'
import { type Drawn, DrawnSchema } from '../../core/sheet/drawn'
import { SheetView } from '../drawing/SheetView'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { FileButton } from '../quantity/FileButton'
import { useUnits } from '../quantity/units'

type Props = { f: Extract<Field, { kind: 'drawing' }>; set: (value: unknown) => void; refused: ReactNode }

/** The edge of a flat part from a drawing: what was understood of it is shown first, and only then does it count. */
export function DrawingField({ f, set, refused }: Props) {
  const [file, setFile] = useState<{ name: string; text: string } | null>(null)
  const read = DrawnSchema.safeParse(f.value)
  return (
    <Box role="group" aria-label={f.label} sx={{ display: 'grid', gap: 0.5, justifyItems: 'start' }}>
      <Typography variant="body2">
        {f.label}
        {read.success ? `: ${read.data.name}` : ''}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <FileButton
          named="Part drawing"
          accept=".dxf"
          onFile={(given) => void given.text().then((text) => setFile({ name: given.name, text }))}
        >
          {read.success ? 'Another DXF' : 'Read a DXF'}
        </FileButton>
        {read.success && <Button onClick={() => set(null)}>Take it away</Button>}
      </Box>
      {f.help && (
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          {f.help}
        </Typography>
      )}
      {refused}
      {file && (
        <Preview
          file={file}
          close={() => setFile(null)}
          take={(drawn) => {
            set(drawn)
            setFile(null)
          }}
        />
      )}
    </Box>
  )
}

const unitNames = [
  { value: '', label: 'as the file says' },
  { value: 'mm', label: 'millimetres' },
  { value: 'inch', label: 'inches' },
]

function Preview({ file, close, take }: { file: { name: string; text: string }; close: () => void; take: (drawn: Drawn) => void }) {
  const units = useUnits()
  const [as, setAs] = useState<DrawingUnit | null>(null)
  const read = useMemo(() => readFlatDxf(file.name, file.text, as), [file, as])
  const { drawn } = read
  return (
    <Dialog open onClose={close} aria-labelledby="part-file" maxWidth="md" fullWidth>
      <DialogTitle id="part-file">{file.name}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Box sx={{ maxWidth: 260, pt: 1 }}>
          <ChoiceInput
            label="Its lengths are"
            value={as ?? ''}
            options={unitNames}
            onChange={(v) => setAs(v === 'mm' || v === 'inch' ? v : null)}
          />
        </Box>
        {read.faults.length > 0 && (
          <Alert severity="error">
            This drawing is no flat part yet.
            {read.faults.map((x) => (
              <div key={x.where + x.expected}>
                {withLengths(x.where, units)}: {withLengths(x.expected, units)}
              </div>
            ))}
          </Alert>
        )}
        {drawn && (
          <>
            <Typography role="status">
              {sizeOf(drawn)
                .map((v) => formatLength(v, units))
                .join(' × ')}
              , {counted(drawn.holes.length, 'cut-out')}
              {read.said ? '' : ', the file itself does not say in what'}
            </Typography>
            <Box sx={{ height: 320 }}>
              <SheetView
                sheet={drawnSheet(drawn)}
                handles={[]}
                marks={new Map()}
                selected={null}
                onSelect={() => undefined}
                actions={null}
              />
            </Box>
          </>
        )}
        {read.notes.length > 0 && (
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            {read.notes.map((n) => withLengths(n, units)).join('; ')}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Leave it</Button>
        <Button variant="contained" disabled={!drawn} onClick={() => drawn && take(drawn)}>
          Use this edge
        </Button>
      </DialogActions>
    </Dialog>
  )
}

const sizeOf = ({ outline }: Drawn): [number, number] => [Math.max(...outline.map((q) => q.x)), Math.max(...outline.map((q) => q.y))]

function drawnSheet(drawn: Drawn): Sheet {
  const entities: Entity[] = [
    { kind: 'polygon', layer: 'plate', closed: true, filled: true, points: drawn.outline },
    ...drawn.holes.map((h) => holeEntity(h, 'plate')),
  ]
  return { view: 'plan', title: drawn.name, entities, box: bounds(entities) }
}
