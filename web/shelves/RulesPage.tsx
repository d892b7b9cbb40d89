import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { trim } from '../../core/quantity/formatQuantity'
import { type RuleKey, RulesSchema, ruleFields } from '../../core/rules/rules'
import { useSaveShelf, useShelf } from '../api/queries'
import { QuantityInput } from '../quantity/QuantityInput'
import { LearnedTimes } from './LearnedTimes'
import { ShelfFrame } from './ShelfFrame'

/** Every factor that is not physics, with where its number comes from. Changing one changes every job. */
export default function RulesPage() {
  const shelf = useShelf('rules')
  const save = useSaveShelf('rules')
  const rules = shelf.data?.document
  const set = (key: RuleKey, value: number) =>
    shelf.data && save.mutate({ revision: shelf.data.revision, document: { ...shelf.data.document, [key]: value } })
  const groups = [...new Set(ruleFields.map((f) => f.group))]
  return (
    <ShelfFrame
      shelf="rules"
      title="Shop rules"
      about="Numbers without a book behind them are the shop's own and yours to set. Every job is worked out again with what stands here."
      error={shelf.error ?? save.error}
      retry={() => {
        save.reset()
        void shelf.refetch()
      }}
    >
      {!rules && !shelf.error && <Typography role="status">Fetching the rules…</Typography>}
      {rules && <LearnedTimes rules={rules} onUse={set} />}
      {rules &&
        groups.map((g) => (
          <Box key={g} component="section" sx={{ mb: 3 }}>
            <Typography variant="h2" sx={{ mb: 1.5 }}>
              {g}
            </Typography>
            <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 350px), 1fr))' }}>
              {ruleFields
                .filter((f) => f.group === g)
                .map((f) => (
                  <RuleField key={f.key} field={f} value={rules[f.key]} onChange={(v) => set(f.key, v)} />
                ))}
            </Box>
          </Box>
        ))}
    </ShelfFrame>
  )
}

function RuleField({ field, value, onChange }: { field: (typeof ruleFields)[number]; value: number; onChange: (v: number) => void }) {
  const range = RulesSchema.shape[field.key].unwrap()
  const length = field.unit === 'mm'
  return (
    <Box>
      <QuantityInput
        label={`${field.label}${field.unit && !length ? `, ${field.unit === 'money' ? 'money' : field.unit}` : ''}`}
        dimension={length ? 'length' : 'number'}
        min={range.minValue ?? undefined}
        max={range.maxValue ?? undefined}
        value={value}
        onChange={(v) => v !== null && onChange(v)}
        help={field.source}
      />
      {value !== field.standard && (
        <Button onClick={() => onChange(field.standard)} sx={{ fontSize: 13 }}>
          Back to {trim(field.standard, 3)}
        </Button>
      )}
    </Box>
  )
}
