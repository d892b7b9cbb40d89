import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import { useTheme } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import { memo, useState } from 'react'
import { chooseReading, measureLater, stateOfMeasure, stateSays, withoutReading, withReading } from '../../../core/measure/settle'
import { type Quantity, rangeOf } from '../../../core/measure/sheets'
import { formatQuantity } from '../../../core/quantity/formatQuantity'
import { defaultUnit } from '../../../core/quantity/units'
import { methods, type Sourced, unknownValue } from '../../../core/vehicle/vehicle'
import { useView } from '../../drawing/view'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'
import { reading, setMeasure, typedValue, useMeasuring } from './measuring'

/** What was typed, if it says its own unit; a bare number is kept as it is shown. */
const withUnitOf = (typed: string, shown: string): string => (/[a-z"'°]/i.test(typed) ? typed : shown)

type Props = { quantity: Quantity; letter: string; value: Sourced; doubted: boolean }

/** One thing to measure: its letter on the drawing, the figure, how it is known, and every reading that was taken. */
export const QuantityRow = memo(function QuantityRow({ quantity, letter, value, doubted }: Props) {
  const units = useUnits()
  const { inks } = useTheme()
  const [open, setOpen] = useState(false)
  const [again, setAgain] = useState(false)
  const here = useMeasuring((s) => s.field === quantity.id)
  const state = stateOfMeasure(value)
  const range = rangeOf(quantity)
  const fallback =
    quantity.dimension === 'angle'
      ? 'angle finder'
      : quantity.dimension === 'mass'
        ? 'weighed'
        : quantity.dimension === 'force'
          ? 'maker'
          : 'tape'
  const text = (v: number) => `${formatQuantity(v, quantity.dimension, units)} ${defaultUnit(quantity.dimension, units.system)}`
  const alarm = state === 'conflict' || doubted
  const take = () => {
    useMeasuring.getState().take(quantity.id)
    useView.getState().select(quantity.id)
  }
  return (
    <Box
      id={`measure-${quantity.id}`}
      onFocusCapture={take}
      sx={{
        borderLeft: 4,
        borderColor: alarm ? inks.signal : here ? inks.selected : state === 'single' || state === 'repeated' ? inks.waterDeep : 'divider',
        pl: 1,
        py: 0.5,
      }}
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: '26px minmax(0,1fr) auto', gap: 0.75, alignItems: 'start' }}>
        <Box aria-hidden="true" sx={{ fontWeight: 600, fontSize: 18, lineHeight: '36px', color: here ? inks.selected : inks.dimension }}>
          {letter}
        </Box>
        <QuantityInput
          label={quantity.label}
          dimension={quantity.dimension}
          optional
          min={range.min}
          max={range.max}
          value={value.value}
          placeholder={value.step ? `at: ${value.step}` : 'not taken'}
          help={`${quantity.datum}${value.value === null ? '' : `, ${stateSays[state]}${value.tolerance === null ? '' : `, ± ${text(value.tolerance)}`}`}`}
          onChange={(v, typed) =>
            setMeasure(quantity, (s) => (v === null ? unknownValue : typedValue(s, v, withUnitOf(typed, text(v)), fallback)))
          }
        />
        <Button
          onClick={() => setOpen(!open)}
          aria-expanded={open}
          aria-label={`${quantity.label}: readings and how it is known`}
          sx={{ minWidth: 40, minHeight: 36 }}
        >
          {value.readings.length > 1 ? `${value.readings.length}×` : '…'}
        </Button>
      </Box>
      {state === 'conflict' && (
        <Typography role="alert" variant="caption" component="p" sx={{ color: inks.signal, ml: 4 }}>
          The readings disagree: take it again, or choose one below and say why.
        </Typography>
      )}
      {(open || state === 'conflict') && (
        <Box sx={{ ml: 4, mt: 0.75, display: 'grid', gap: 1 }}>
          {value.readings.map((r, i) => (
            <ReadingLine
              key={`${r.at}${r.value}${i}`}
              text={text(r.value)}
              reading={r}
              stands={value.value === r.value && !!value.reason}
              conflict={state === 'conflict'}
              remove={() => setMeasure(quantity, (s) => withoutReading(s, i))}
              choose={(why) => setMeasure(quantity, (s) => chooseReading(s, i, why))}
            />
          ))}
          {value.reason && <Typography variant="caption">Chosen because: {value.reason}</Typography>}
          {again ? (
            <QuantityInput
              autoFocus
              label={`${quantity.label}, again`}
              dimension={quantity.dimension}
              optional
              min={range.min}
              max={range.max}
              value={null}
              onChange={(v, typed) => {
                if (v !== null)
                  setMeasure(quantity, (s) =>
                    withReading(
                      s,
                      reading(v, withUnitOf(typed, text(v)), s.method === 'unknown' || s.method === 'assumed' ? fallback : s.method),
                    ),
                  )
                setAgain(false)
              }}
            />
          ) : (
            <Button variant="outlined" disabled={value.value === null} onClick={() => setAgain(true)}>
              Take it again
            </Button>
          )}
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
            <ChoiceInput
              label="Known by"
              value={value.method}
              options={methods.map((m) => ({ value: m, label: m }))}
              onChange={(method) => setMeasure(quantity, (s) => (method === 'unknown' ? unknownValue : { ...s, method }))}
            />
            <QuantityInput
              label="Tolerance, ±"
              dimension={quantity.dimension}
              optional
              min={0}
              max={1000}
              value={value.tolerance}
              onChange={(tolerance) => setMeasure(quantity, (s) => ({ ...s, tolerance }))}
            />
          </Box>
          {value.value === null && (
            <TextInput
              label="Or measure it later, at which step?"
              value={value.step ?? ''}
              maxLength={60}
              onChange={(step) => setMeasure(quantity, () => (step.trim() ? measureLater(step.trim()) : unknownValue))}
            />
          )}
        </Box>
      )}
    </Box>
  )
})

function ReadingLine({
  text,
  reading: r,
  stands,
  conflict,
  remove,
  choose,
}: {
  text: string
  reading: Sourced['readings'][number]
  stands: boolean
  conflict: boolean
  remove: () => void
  choose: (why: string) => void
}) {
  const [why, setWhy] = useState('')
  return (
    <Box sx={{ borderBottom: 1, borderColor: 'divider', pb: 0.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, fontSize: 14 }}>
        <b>{text}</b>
        <Box component="span" sx={{ color: 'text.secondary', flex: 1 }}>
          {[r.typed && r.typed !== text ? `typed ${r.typed}` : '', r.method, r.who, r.at.replace('T', ' ')].filter(Boolean).join(', ')}
          {stands ? ', stands' : ''}
        </Box>
        <IconButton aria-label={`Strike the reading ${text}`} onClick={remove} sx={{ fontSize: 17, width: 32, height: 32 }}>
          ×
        </IconButton>
      </Box>
      {conflict && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 0.5, alignItems: 'start', mt: 0.5 }}>
          <TextInput label={`Why ${text} is right`} value={why} maxLength={300} onChange={setWhy} />
          <Button onClick={() => choose(why.trim())} disabled={!why.trim()}>
            Choose
          </Button>
        </Box>
      )}
    </Box>
  )
}
