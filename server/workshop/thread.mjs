// A thread of a program that runs from its sources: it becomes the workshop by the same bundle as the command line, for loading some hundred sources one
// by one takes seconds in every thread.
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { freshBundle } from '../../bin/bundleCli.mjs'

const root = fileURLToPath(new URL('../..', import.meta.url))
await import(pathToFileURL(join(await freshBundle(root), 'thread.js')).href)
