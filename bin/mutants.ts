import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { seeded } from '../core/nesting/seeded'
import { faultsIn } from './faults'

/** Data and words are judged by eye; what is left is what computes. */
const computes = (file: string) => /\.ts$/.test(file) && !/\.test\.ts$|demo|messages|\/catalogue\/|\/calculators\//.test(file)

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((e) => (e.isDirectory() ? sources(join(folder, e.name)) : [join(folder, e.name)]))

// npm run mutants [seed] [count] [from]: the same faults for the same seed and count; `from` goes on where a run was stopped
const [seed, count, from] = [Number(process.argv[2] ?? 1), Number(process.argv[3] ?? 40), Number(process.argv[4] ?? 1)]
const root = fileURLToPath(new URL('..', import.meta.url))
// planted in a copy, so that a stop half-way leaves the sources as they are
const copy = mkdtempSync(join(tmpdir(), 'tideline-mutants-'))
for (const part of ['core', 'vitest.config.ts', 'vitest.setup.ts', 'package.json', 'tsconfig.json'])
  cpSync(join(root, part), join(copy, part), { recursive: true })
symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))

const all = sources(join(copy, 'core'))
  .filter(computes)
  .flatMap((path) => faultsIn(relative(copy, path), readFileSync(path, 'utf8')))
const random = seeded(seed)
const chosen = Array.from({ length: Math.min(count, all.length) }, () => all.splice(Math.floor(random() * all.length), 1)[0]!)

const passes = (args: string[]): boolean => {
  const all = [...args, '--project', 'core', '--bail', '1', '--passWithNoTests', '--reporter', 'dot']
  const done = spawnSync(join(root, 'node_modules/.bin/vitest'), all, { cwd: copy, timeout: 300_000, stdio: 'ignore' })
  // a run out of time is a fault caught; tests that cannot be run at all say nothing
  if (done.error && (done.error as NodeJS.ErrnoException).code !== 'ETIMEDOUT') throw done.error
  return done.status === 0
}
const sound = () => {
  if (!passes(['run', 'core/geometry/', 'core/quantity/']))
    throw new Error('the tests fail without any fault: nothing can be said of faults')
}

sound()
let alive = 0
for (const [i, fault] of chosen.entries()) {
  if (i + 1 < from) continue
  const path = join(copy, fault.file)
  const text = readFileSync(path, 'utf8')
  writeFileSync(path, text.slice(0, fault.start) + fault.is + text.slice(fault.end))
  // the tests beside it are quick and catch most; only what they let through meets every test that reaches it; searching for cut plans is slow and seldom the witness
  const lives =
    passes(['run', `${dirname(fault.file)}/`]) &&
    passes(['related', '--run', fault.file, ...(fault.file.includes('/nesting/') ? [] : ['--exclude', '**/nesting/**'])])
  writeFileSync(path, text)
  if (lives) alive++
  const source = text.split('\n')[fault.line - 1]!.trim()
  process.stdout.write(
    `${String(i + 1).padStart(3)} ${lives ? 'LIVES ' : 'caught'} ${fault.file}:${fault.line}  ${fault.was} → ${fault.is}   ${source}\n`,
  )
}
sound()
const planted = chosen.length - from + 1
process.stdout.write(`${planted - alive} of ${planted} caught, seed ${seed}\n`)
rmSync(copy, { recursive: true })
