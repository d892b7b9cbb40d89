import { usualTolerance } from '../../core/measure/settle'
import { formatLength } from '../../core/quantity/formatQuantity'
import { methods, type Taken } from '../../core/vehicle/vehicle'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { useUnits } from '../quantity/units'

const ways = methods
  .filter((m) => m !== 'weighed' && m !== 'angle finder')
  .map((value) => ({ value, label: value === 'unknown' ? 'nobody said' : value }))

/** How a place was found and how far it may be off; a place nobody speaks for counts as assumed. */
export function TakenInput({ taken, onChange }: { taken: Taken; onChange: (taken: Taken) => void }) {
  const units = useUnits()
  const usual = usualTolerance[taken.method === 'unknown' ? 'assumed' : taken.method]
  return (
    <>
      <ChoiceInput
        label="Place known by"
        value={taken.method}
        options={ways}
        onChange={(method) => onChange({ ...taken, method, toleranceMm: null })}
      />
      <QuantityInput
        label="give or take"
        optional
        placeholder={formatLength(usual, units)}
        min={0}
        max={1000}
        value={taken.toleranceMm}
        onChange={(toleranceMm) => onChange({ ...taken, toleranceMm })}
      />
    </>
  )
}
