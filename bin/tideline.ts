import { readFileSync, writeFileSync } from 'node:fs'
import { run } from './cli/run'

// whoever reads may stop early, as head does
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(0)
  throw error
})
const { code, err } = await run(process.argv.slice(2), {
  stdin: () => readFileSync(0),
  out: (text) => void process.stdout.write(text),
})
if (err.length) writeFileSync(2, `${err.join('\n')}\n`)
process.exitCode = code
