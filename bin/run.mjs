// What `npm run demo` and `npm test` need on a fresh machine: dependencies, the built interface, a browser. Plain Node, for
// nothing is installed yet when it starts.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))
const run = (command, args, env = {}) => {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  if (done.error) throw done.error
  if (done.status !== 0) process.exit(done.status ?? 1)
}

/**
 * Dependencies first without their own build steps; these follow at once in a process of their own, for the database driver compiles for
 * minutes and what needs no database can be checked meanwhile. The promise holds when everything is built.
 */
function install() {
  const stamp = `${root}node_modules/.tideline-installed`
  const lock = readFileSync(`${root}package-lock.json`, 'utf8')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return Promise.resolve()
  run('npm', ['ci', '--no-audit', '--no-fund', '--ignore-scripts'])
  const building = spawn('npm', ['rebuild'], { cwd: root, stdio: 'inherit', env: { JOBS: 'max', ...process.env } })
  process.on('exit', () => building.kill())
  return new Promise((done) => {
    building.on('error', (error) => {
      throw error
    })
    building.on('exit', (code) => {
      if (code !== 0) process.exit(code ?? 1)
      writeFileSync(stamp, lock)
      done()
    })
  })
}

/** Debian's Chromium; installed from Debian's packages where it is missing and we may. */
function browser() {
  const found = ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync)
  if (found) return found
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  for (const args of [
    ['apt-get', 'update', '-qq'],
    ['apt-get', 'install', '-y', '-qq', 'chromium'],
  ]) {
    const [command, ...rest] = [...sudo, ...args]
    run(command, rest, { DEBIAN_FRONTEND: 'noninteractive' })
  }
  return '/usr/bin/chromium'
}

/** Databases and browsers of the tests lie in memory where there is room: each test opens its own, and a slow disk is no fault of theirs. Gone when the run ends. */
function inMemory() {
  const memory = '/dev/shm'
  if (!existsSync(memory)) return {}
  const { bavail, bsize } = statfsSync(memory)
  if (bavail * bsize < 4e9) return {}
  const folder = mkdtempSync(`${memory}/tideline-test-`)
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }))
  return { TMPDIR: folder }
}

const bin = (name) => `${root}node_modules/.bin/${name}`
const what = process.argv[2]
const built = install()
if (what === 'demo') {
  await built
  run(bin('vite'), ['build', '--logLevel', 'warn'])
  run(`${root}bin/tideline`, ['demo', ...process.argv.slice(3)])
} else if (what === 'test') {
  const chromium = browser()
  run(bin('tsc'), ['--noEmit'])
  run(bin('tsc'), ['-p', 'core'])
  run(bin('biome'), ['check', '.'])
  run(bin('vite'), ['build', '--logLevel', 'warn'])
  run(bin('vitest'), ['run', '--project', 'core', '--project', 'web'])
  await built
  const memory = inMemory()
  run(bin('vitest'), ['run', '--project', 'shop'], memory)
  run(bin('playwright'), ['test'], { CHROMIUM: chromium, ...memory })
} else {
  console.error('usage: node bin/run.mjs demo|test')
  process.exit(2)
}
