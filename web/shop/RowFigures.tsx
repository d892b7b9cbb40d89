import type { ComponentProps } from 'react'
import { QuantityInput } from '../quantity/QuantityInput'

type NumberKey<T> = { [K in keyof T]-?: T[K] extends number ? K : never }[keyof T]
/** A figure of a row as a field: where it stands in the row, and its bounds. */
export type RowField<T> = { at: NumberKey<T> } & Pick<ComponentProps<typeof QuantityInput>, 'label' | 'dimension' | 'min' | 'max' | 'exact'>

/** The figures of one row, each kept once it is a number. */
export function RowFigures<T>({ of, fields, set }: { of: T; fields: readonly RowField<T>[]; set: (patch: Partial<T>) => void }) {
  return fields.map(({ at, ...field }) => (
    <QuantityInput
      key={String(at)}
      {...field}
      value={of[at] as number}
      onChange={(v) => v !== null && set({ [at]: v } as unknown as Partial<T>)}
    />
  ))
}
