import { z } from 'zod'

/** As much of JSON Schema as the calculators' inputs use. */
export type JsonSchema = {
  type?: string | string[]
  title?: string
  unit?: string
  enum?: unknown[]
  const?: unknown
  default?: unknown
  properties?: Record<string, JsonSchema>
  required?: string[]
  items?: JsonSchema
  prefixItems?: JsonSchema[]
  anyOf?: JsonSchema[]
  oneOf?: JsonSchema[]
  minimum?: number
  maximum?: number
}
export const JsonSchemaShape: z.ZodType<JsonSchema> = z.looseObject({}) as unknown as z.ZodType<JsonSchema>

/** A value to begin with for a schema: its default, else the emptiest that fits its form. */
export function blank(schema: JsonSchema): unknown {
  if (schema.default !== undefined) return schema.default
  if (schema.const !== undefined) return schema.const
  if (schema.enum) return schema.enum[0]
  const options = schema.oneOf ?? schema.anyOf
  if (options) return options.some((o) => o.type === 'null') ? null : blank(options[0])
  if (schema.type === 'object')
    return Object.fromEntries(
      Object.entries(schema.properties ?? {})
        .filter(([k]) => schema.required?.includes(k))
        .map(([k, s]) => [k, blank(s)]),
    )
  if (schema.prefixItems) return schema.prefixItems.map(blank)
  if (schema.type === 'array') return []
  if (schema.type === 'string') return ''
  if (schema.type === 'boolean') return false
  return 0
}

/** `secondMomentMm4` → `Second moment`, `mm⁴`: names carry their unit at the end. */
const UNITS: [RegExp, string][] = [
  [/NmmPerMm$/, 'N·mm/mm'],
  [/KgPerM$/, 'kg/m'],
  [/KgM3$/, 'kg/m³'],
  [/Nmm$/, 'N·mm'],
  [/Mm4$/, 'mm⁴'],
  [/Mm3$/, 'mm³'],
  [/Mm2$/, 'mm²'],
  [/MPa$/, 'MPa'],
  [/Mm$/, 'mm'],
  [/Kg$/, 'kg'],
  [/Deg$/, '°'],
  [/Ms$/, 'ms'],
  [/Percent$/, '%'],
  [/N$/, 'N'],
]
export function nameAndUnit(key: string, schema?: JsonSchema): { name: string; unit: string } {
  const found = UNITS.find(([pattern]) => pattern.test(key))
  const bare = found ? key.replace(found[0], '') : key
  const words = bare.replace(/([a-z0-9])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`)
  return {
    name: schema?.title ?? words.charAt(0).toUpperCase() + words.slice(1),
    unit:
      schema?.unit ??
      found?.[1] ??
      (/^(length|kerf|endTrim|thickness|insideRadius|mm|remnant|flatLength)$/.test(key) ? 'mm' : /^angle$/.test(key) ? '°' : ''),
  }
}
