import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'vite'

/** A bench built as the interface is: the loader that runs these files by themselves names every function, which costs half as much time again. */
export async function compiled<Module>(name: string): Promise<Module> {
  const outDir = join(import.meta.dirname, '../node_modules/.cache/bench', name)
  await build({
    configFile: false,
    logLevel: 'error',
    build: {
      ssr: join(import.meta.dirname, `${name}.ts`),
      outDir,
      target: 'es2023',
      rolldownOptions: { output: { entryFileNames: '[name].mjs' } },
    },
  })
  const made: Module = await import(pathToFileURL(join(outDir, `${name}.mjs`)).href)
  rmSync(outDir, { recursive: true })
  return made
}
