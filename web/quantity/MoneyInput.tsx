import { QuantityInput } from './QuantityInput'

/** Money typed in whole units with cents, kept in minor units. */
export const MoneyInput = ({
  label,
  value,
  onChange,
  optional,
  help,
  hideLabel,
}: {
  label: string
  value: number | null
  onChange: (minor: number | null) => void
  optional?: boolean
  help?: string
  hideLabel?: boolean
}) => (
  <QuantityInput
    label={label}
    hideLabel={hideLabel}
    dimension="money"
    min={0}
    max={1_000_000}
    optional={optional}
    placeholder={optional ? 'none' : undefined}
    help={help}
    value={value === null ? null : value / 100}
    onChange={(v) => onChange(v === null ? null : Math.round(v * 100))}
  />
)
