import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { pathToFileURL } from 'node:url'

const youngest = (folder) =>
  readdirSync(folder, { withFileTypes: true }).reduce((latest, entry) => {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) return Math.max(latest, youngest(path))
    return /\.test\.ts$/.test(entry.name) ? latest : Math.max(latest, statSync(path).mtimeMs)
  }, statSync(folder).mtimeMs)

/** What can be started from the bundle: the command line, the thread of its workshop, and the parts of a server that the browser tests put together themselves. */
const ENTRIES = {
  tideline: 'bin/tideline.ts',
  thread: 'server/workshop/thread.ts',
  serve: 'server/serve.ts',
  workshop: 'server/workshop/workshop.ts',
}

/** Where the bundle of the command line and its thread lies, made again if any source is younger than it. */
export async function freshBundle(root) {
  const folder = join(root, 'node_modules/.cache/tideline/cli')
  const sources = Math.max(
    ...['core', 'server', 'bin'].map((f) => youngest(join(root, f))),
    statSync(join(root, 'package-lock.json')).mtimeMs,
  )
  const made = Object.keys(ENTRIES)
    .map((name) => `${name}.js`)
    .map((f) => join(folder, f))
  if (!made.every((f) => existsSync(f) && statSync(f).mtimeMs > sources)) await bundleCli(root, folder)
  return folder
}

/** Sources find their own files (the built interface, the worker's loader) from where they lie, so each keeps its own address in the bundle. */
const ownAddress = {
  name: 'own-address',
  transform: (code, id) =>
    code.includes('import.meta.url') ? code.replaceAll('import.meta.url', JSON.stringify(pathToFileURL(id).href)) : null,
}

/** The worker's loader compiles some hundred sources one by one, which takes seconds: beside the bundle lies the thread as a bundle of its own. */
const bundledThread = (folder) => ({
  name: 'bundled-thread',
  transform: (code) =>
    LOADER.test(code) ? code.replace(LOADER, `new URL(${JSON.stringify(pathToFileURL(join(folder, 'thread.js')).href)})`) : null,
})
const LOADER = /new URL\(['"]\.\/thread\.mjs['"], import\.meta\.url\)/

/** Bundles bin/tideline.ts and the thread of its workshop into `folder`, in one move, so that another process starting meanwhile sees the old one or the new one whole. */
async function bundleCli(root, folder) {
  const { build } = await import('vite')
  // threads of one process may be at it at once, so the process's number would not tell them apart
  const fresh = `${folder}.${randomUUID()}`
  await build({
    root,
    configFile: false,
    logLevel: 'error',
    publicDir: false,
    plugins: [bundledThread(folder), ownAddress],
    ssr: { noExternal: ['zod'] },
    build: {
      ssr: true,
      rollupOptions: { input: Object.fromEntries(Object.entries(ENTRIES).map(([name, file]) => [name, join(root, file)])) },
      outDir: fresh,
      emptyOutDir: true,
      target: 'node20',
      minify: false,
    },
  })
  mkdirSync(dirname(folder), { recursive: true })
  const old = `${fresh}.old`
  try {
    renameSync(folder, old)
  } catch (error) {
    if (error.code !== 'ENOENT') throw error
  }
  try {
    renameSync(fresh, folder)
  } catch (error) {
    // another process was sooner: its bundle is as good
    if (error.code !== 'ENOTEMPTY' && error.code !== 'EEXIST') throw error
  }
  for (const left of [old, fresh]) rmSync(left, { recursive: true, force: true, maxRetries: 5 })
}
