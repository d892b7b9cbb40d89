import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, normalize, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, test } from 'vitest'

const root = dirname(fileURLToPath(import.meta.url))
const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? sources(join(folder, e.name)) : /(?<!\.test)\.ts$/.test(e.name) ? [join(folder, e.name)] : [],
  )
const folderOf = (path: string) => relative(root, path).split('/')[0] ?? ''

/** Which folders of core each folder imports from, by reading the imports. */
function imports(): Map<string, Set<string>> {
  const out = new Map<string, Set<string>>()
  for (const path of sources(root))
    for (const [, to] of readFileSync(path, 'utf8').matchAll(/from '(\.[^']+)'/g)) {
      const [a, b] = [folderOf(path), folderOf(normalize(join(dirname(path), to ?? '')))]
      if (a !== b) out.set(a, (out.get(a) ?? new Set()).add(b))
    }
  return out
}

/** A way round from a folder back to itself, or null. */
function cycleIn(graph: Map<string, Set<string>>): string[] | null {
  const done = new Set<string>()
  const walk = (at: string, trail: string[]): string[] | null => {
    if (trail.includes(at)) return [...trail.slice(trail.indexOf(at)), at]
    if (done.has(at)) return null
    for (const next of graph.get(at) ?? []) {
      const found = walk(next, [...trail, at])
      if (found) return found
    }
    done.add(at)
    return null
  }
  for (const at of graph.keys()) {
    const found = walk(at, [])
    if (found) return found
  }
  return null
}

test('data flows one way between the folders of the core: no way round', () => {
  const graph = imports()
  expect(graph.size).toBeGreaterThan(20)
  expect(cycleIn(graph)).toBeNull()
})

test('a way round would be found and named', () => {
  const graph = new Map([
    ['drawing', new Set(['job'])],
    ['job', new Set(['limits', 'vehicle'])],
    ['limits', new Set(['drawing'])],
  ])
  expect(cycleIn(graph)).toEqual(['drawing', 'job', 'limits', 'drawing'])
})
