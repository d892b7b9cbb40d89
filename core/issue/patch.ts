import type { Patch } from './issue'

/** The document with each patch put in place; what is not on a path is shared, not copied. */
export const patched = <T>(document: T, patches: Patch[]): T => patches.reduce<T>((d, p) => setAt(d, p.path, p.to) as T, document)

function setAt(node: unknown, path: (string | number)[], to: unknown): unknown {
  const [step, ...rest] = path
  if (step === undefined) return to
  if (Array.isArray(node)) return node.map((v, i) => (i === step ? setAt(v, rest, to) : v))
  const object = node as Record<string, unknown>
  return { ...object, [step]: setAt(object[step], rest, to) }
}
