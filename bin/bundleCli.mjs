import { mkdirSync, renameSync, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { pathToFileURL } from 'node:url'

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
export async function bundleCli(root, folder) {
  const { build } = await import('vite')
  const fresh = `${folder}.${process.pid}`
  await build({
    root,
    configFile: false,
    logLevel: 'error',
    publicDir: false,
    plugins: [bundledThread(folder), ownAddress],
    ssr: { noExternal: ['zod'] },
    build: {
      ssr: true,
      rollupOptions: { input: { tideline: join(root, 'bin/tideline.ts'), thread: join(root, 'server/workshop/thread.ts') } },
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
  for (const left of [old, fresh]) rmSync(left, { recursive: true, force: true })
}
