import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { dimensionOf } from '../../core/quantity/figureText'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { blank, type JsonSchema, nameAndUnit } from './jsonSchema'

type Props = { schema: JsonSchema; value: unknown; onChange: (value: unknown) => void; field: string }
type Dict = Record<string, unknown>

/** A form made from a calculator's own input schema. */
export function SchemaForm({ schema, value, onChange, field }: Props) {
  const { name, unit } = nameAndUnit(field, schema)
  const options = schema.oneOf ?? schema.anyOf
  if (schema.enum)
    return (
      <ChoiceInput
        label={name}
        value={String(value)}
        options={schema.enum.map((v) => ({ value: String(v), label: String(v) }))}
        onChange={onChange}
      />
    )
  if (options?.some((o) => o.type === 'null')) {
    const inner = options.find((o) => o.type !== 'null') ?? {}
    return <Quantity name={inner.title ?? name} unit={inner.unit ?? unit} value={value as number | null} optional onChange={onChange} />
  }
  if (options) return <Variant options={options} value={value as Dict} onChange={onChange} name={name} />
  if (schema.type === 'object') return <Fields schema={schema} value={(value ?? {}) as Dict} onChange={onChange} />
  if (schema.prefixItems) return <Tuple items={schema.prefixItems} value={value as unknown[]} name={name} unit={unit} onChange={onChange} />
  if (schema.type === 'array')
    return <List schema={schema} value={(value ?? []) as unknown[]} onChange={onChange} name={name} field={field} />
  if (schema.type === 'boolean')
    return <FormControlLabel control={<Switch checked={value === true} onChange={(_, on) => onChange(on)} />} label={name} />
  if (schema.type === 'string') return <TextInput label={name} value={String(value ?? '')} onChange={onChange} />
  return <Quantity name={name} unit={unit} value={value as number} onChange={onChange} />
}

const AXES = ['x', 'y', 'z', 'about x', 'about y', 'about z']
/** A fixed row of figures or switches; three or six of them run along and about the axes. */
function Tuple({
  items,
  value,
  name,
  unit,
  onChange,
}: {
  items: JsonSchema[]
  value: unknown[]
  name: string
  unit: string
  onChange: (value: unknown) => void
}) {
  const called = (i: number) => (items.length === 3 || items.length === 6 ? AXES[i] : String(i + 1))
  const set = (i: number, v: unknown) => onChange(value.map((o, k) => (k === i ? v : o)))
  return (
    <Box
      role="group"
      aria-label={name}
      sx={{ display: 'grid', gridTemplateColumns: `repeat(${Math.min(3, items.length)}, minmax(0,1fr))`, gap: 1, alignItems: 'center' }}
    >
      {items.map((s, i) =>
        s.type === 'boolean' ? (
          <FormControlLabel
            key={called(i)}
            control={<Switch checked={value[i] === true} onChange={(_, on) => set(i, on)} />}
            label={i ? called(i) : `${name} ${called(i)}`}
          />
        ) : (
          <Quantity
            key={called(i)}
            name={`${name} ${called(i)}`}
            unit={s.unit ?? unit}
            value={value[i] as number}
            onChange={(v) => set(i, v)}
          />
        ),
      )}
    </Box>
  )
}

function Quantity({
  name,
  unit,
  value,
  onChange,
  optional,
}: {
  name: string
  unit: string
  value: number | null
  onChange: (v: unknown) => void
  optional?: boolean
}) {
  const dimension = dimensionOf(unit)
  return (
    <QuantityInput
      label={dimension === 'number' && unit ? `${name}, ${unit}` : name}
      dimension={dimension}
      optional={optional}
      value={value ?? null}
      onChange={onChange}
    />
  )
}

function Fields({ schema, value, onChange }: { schema: JsonSchema; value: Dict; onChange: (v: unknown) => void }) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 190px), 1fr))', alignItems: 'start' }}>
      {Object.entries(schema.properties ?? {})
        .filter(([, s]) => s.const === undefined)
        .map(([key, s]) => {
          const wide = s.type === 'array' || s.type === 'object' || (s.oneOf ?? s.anyOf)?.every((o) => o.type === 'object')
          const { name } = nameAndUnit(key, s)
          const without = () => {
            const { [key]: _, ...rest } = value
            onChange(rest)
          }
          const optional = !schema.required?.includes(key) && s.default === undefined && wide
          if (optional && value[key] === undefined)
            return (
              <Button key={key} sx={{ gridColumn: '1 / -1', justifySelf: 'start' }} onClick={() => onChange({ ...value, [key]: blank(s) })}>
                Set {name.toLowerCase()}
              </Button>
            )
          const shown = value[key] ?? (schema.required?.includes(key) || s.default !== undefined ? blank(s) : null)
          return (
            <Box key={key} sx={wide ? { gridColumn: '1 / -1' } : undefined}>
              {optional && <Button onClick={without}>Leave {name.toLowerCase()} out</Button>}
              <SchemaForm
                schema={
                  s.type === undefined || schema.required?.includes(key) || s.default !== undefined || wide
                    ? s
                    : { anyOf: [s, { type: 'null' }] }
                }
                field={key}
                value={shown}
                onChange={(v) => {
                  const { [key]: _, ...rest } = value
                  onChange(v === null && !schema.required?.includes(key) ? rest : { ...value, [key]: v })
                }}
              />
            </Box>
          )
        })}
    </Box>
  )
}

/** One of several forms, told apart by their `kind`. */
function Variant({ options, value, onChange, name }: { options: JsonSchema[]; value: Dict; onChange: (v: unknown) => void; name: string }) {
  const kindOf = (s: JsonSchema) => String(s.properties?.kind?.const ?? '')
  const chosen = options.find((o) => kindOf(o) === value?.kind) ?? options[0]
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <ChoiceInput
        label={name}
        value={kindOf(chosen)}
        options={options.map((o) => ({ value: kindOf(o), label: kindOf(o) }))}
        onChange={(kind) => onChange(blank(options.find((o) => kindOf(o) === kind) ?? chosen))}
      />
      <Fields schema={chosen} value={value ?? {}} onChange={onChange} />
    </Box>
  )
}

function List({
  schema,
  value,
  onChange,
  name,
  field,
}: {
  schema: JsonSchema
  value: unknown[]
  onChange: (v: unknown) => void
  name: string
  field: string
}) {
  const item = schema.items ?? {}
  return (
    <Box component="fieldset" sx={{ border: 1, borderColor: 'divider', m: 0, p: 1 }}>
      <Box component="legend" sx={{ fontSize: 14, fontWeight: 600, px: 0.5 }}>
        {name}
      </Box>
      {value.map((v, i) => (
        <Box key={i} sx={{ display: 'grid', gridTemplateColumns: 'minmax(0,1fr) 34px', gap: 0.5, mb: 1.25, alignItems: 'start' }}>
          <SchemaForm
            schema={item}
            field={item.type === 'object' ? field : `${field.replace(/s$/, '')}`}
            value={v}
            onChange={(n) => onChange(value.map((o, k) => (k === i ? n : o)))}
          />
          <RemoveButton of={`${name} ${i + 1}`} onClick={() => onChange(value.filter((_, k) => k !== i))} />
        </Box>
      ))}
      <Button onClick={() => onChange([...value, blank(item)])}>Add</Button>
    </Box>
  )
}
