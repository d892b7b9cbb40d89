import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import { type BicycleTaken, type Inside, type InsideThing, MOST_THINGS } from '../../../core/inside/inside'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'
import { TextInput } from '../../quantity/TextInput'
import { Group } from '../Group'
import { addThing, setInside, setThing } from './inside'

type RoomField = 'lengthMm' | 'widthMm' | 'heightMm' | 'archWidthMm' | 'archFromMm' | 'archLengthMm' | 'archHeightMm'
const ROOM: [RoomField, string][] = [
  ['lengthMm', 'Floor, length'],
  ['widthMm', 'Floor, width'],
  ['heightMm', 'Clear height'],
  ['archWidthMm', 'Wheel arches, width'],
  ['archFromMm', 'They begin behind the front'],
  ['archLengthMm', 'Their length'],
  ['archHeightMm', 'Their height'],
]
type ThingField =
  | 'lengthMm'
  | 'widthMm'
  | 'heightMm'
  | 'massKg'
  | 'bearsKg'
  | 'barBehindMm'
  | 'barHeightMm'
  | 'pedalsWideMm'
  | 'pedalsBehindMm'
const BOX: [ThingField, string][] = [
  ['lengthMm', 'Length'],
  ['widthMm', 'Width'],
  ['heightMm', 'Height'],
  ['massKg', 'Mass'],
  ['bearsKg', 'Its top bears'],
]
const BICYCLE: [ThingField, string][] = [
  ['lengthMm', 'Length'],
  ['widthMm', 'Over the handlebars'],
  ['heightMm', 'Height'],
  ['barBehindMm', 'Handlebars behind front'],
  ['barHeightMm', 'Handlebars above floor'],
  ['pedalsWideMm', 'Over the pedals'],
  ['pedalsBehindMm', 'Pedals behind front'],
  ['massKg', 'Mass'],
]

const DOOR = [
  { value: 'none', label: 'None' },
  { value: 'left', label: 'Left' },
  { value: 'right', label: 'Right' },
] as const
const DOOR_MEASURES: ['doorFromMm' | 'doorLengthMm' | 'doorHeightMm', string][] = [
  ['doorFromMm', 'Door begins at'],
  ['doorLengthMm', 'Door length'],
  ['doorHeightMm', 'Door height'],
]

/** With what each can be, least and most. mm */
const TAKEN: [keyof BicycleTaken, string, number, number][] = [
  ['frameMm', 'Frame and tyres, across', 20, 400],
  ['barsAlongMm', 'Handlebars, along', 20, 600],
  ['barsUpMm', 'They reach up', 0, 500],
  ['barsDownMm', 'They reach down', 0, 500],
  ['barsTurnedMm', 'Turned along, across', 20, 600],
  ['pedalsReachMm', 'Pedals reach from axle', 50, 400],
  ['axleMm', 'Pedal axle above floor', 100, 500],
]

/** The room inside by measure, and what rides in it. */
export function InsideInputs({ inside }: { inside: Inside }) {
  const full = inside.things.length >= MOST_THINGS
  return (
    <>
      <Group title="The room" columns={2}>
        {ROOM.filter(([k]) => inside.archWidthMm !== 0 || !k.startsWith('arch') || k === 'archWidthMm').map(([key, label]) => (
          <QuantityInput
            key={key}
            label={label}
            min={0}
            max={20_000}
            optional
            value={inside[key]}
            help={key === 'archWidthMm' ? '0 = there are none' : undefined}
            onChange={(v) => setInside((r) => ({ ...r, [key]: v }))}
          />
        ))}
        <QuantityInput
          label="Gap between all"
          min={0}
          max={500}
          value={inside.gapMm}
          onChange={(v) => v !== null && setInside((r) => ({ ...r, gapMm: v }))}
        />
        <QuantityInput
          label="Way to stay free"
          min={0}
          max={3000}
          value={inside.aisleMm}
          help="0 = none"
          onChange={(v) => v !== null && setInside((r) => ({ ...r, aisleMm: v }))}
        />
      </Group>
      <Group title="Side door" columns={2}>
        <ChoiceInput
          label="In which wall"
          value={inside.doorSide}
          options={DOOR}
          onChange={(doorSide) => setInside((r) => ({ ...r, doorSide }))}
        />
        {inside.doorSide !== 'none' &&
          DOOR_MEASURES.map(([key, label]) => (
            <QuantityInput
              key={key}
              label={label}
              min={0}
              max={5000}
              optional
              value={inside[key]}
              onChange={(v) => setInside((r) => ({ ...r, [key]: v }))}
            />
          ))}
      </Group>
      {inside.things.some((t) => t.kind === 'bicycle') && (
        <Group title="A bicycle is taken as" columns={2}>
          {TAKEN.map(([key, label, least, most]) => (
            <QuantityInput
              key={key}
              label={label}
              min={least}
              max={most}
              value={inside.bicycle[key]}
              onChange={(v) => v !== null && setInside((r) => ({ ...r, bicycle: { ...r.bicycle, [key]: v } }))}
            />
          ))}
          <Typography variant="caption" sx={{ color: 'text.secondary', gridColumn: '1 / -1' }}>
            The shop’s own figures: set them to the widest that rides along.
          </Typography>
        </Group>
      )}
      <Group title="What rides in it">
        {inside.things.map((t) => (
          <Thing key={t.id} thing={t} />
        ))}
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button variant="outlined" disabled={full} onClick={() => addThing('bicycle')}>
            Add a bicycle
          </Button>
          <Button variant="outlined" disabled={full} onClick={() => addThing('box')}>
            Add a box
          </Button>
        </Box>
        {full && <Typography variant="body2">{MOST_THINGS} things at most.</Typography>}
      </Group>
    </>
  )
}

function Thing({ thing: t }: { thing: InsideThing }) {
  return (
    <Box component="section" aria-label={t.name} sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Box sx={{ display: 'flex', gap: 0.5, mb: 1 }}>
        <TextInput label="Name" value={t.name} maxLength={80} onChange={(name) => setThing(t.id, { name })} />
        <RemoveButton of={t.name} onClick={() => setInside((r) => ({ ...r, things: r.things.filter((o) => o.id !== t.id) }))} />
      </Box>
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)', alignItems: 'start' }}>
        {(t.kind === 'bicycle' ? BICYCLE : BOX).map(([key, label]) => (
          <QuantityInput
            key={key}
            label={label}
            {...(key.endsWith('Kg') ? { dimension: 'mass' as const, min: 0, max: 5000 } : { min: 1, max: 10_000 })}
            optional
            value={t[key]}
            onChange={(v) => setThing(t.id, { [key]: v })}
          />
        ))}
      </Box>
      {t.kind === 'bicycle' && (
        <FormControlLabel
          control={<Switch checked={t.barsTurned} onChange={(_, barsTurned) => setThing(t.id, { barsTurned })} />}
          label="Handlebars turned along"
        />
      )}
    </Box>
  )
}
