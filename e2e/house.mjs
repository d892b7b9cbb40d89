// One process and its threads for all shops that a worker of the browser tests opens, one after another: starting them anew for each took seconds.
import { dirname, join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { freshBundle } from '../bin/bundleCli.mjs'

const folder = await freshBundle(join(dirname(fileURLToPath(import.meta.url)), '..'))
const part = (name) => import(pathToFileURL(join(folder, `${name}.js`)).href)
const [{ serve }, { openWorkshop }] = await Promise.all([part('serve'), part('workshop')])
const workshop = openWorkshop()
let open = null

process.on('message', async ({ database }) => {
  await open?.close()
  open = database ? await serve({ database, port: 0, workshop }) : null
  process.send({ address: open?.address ?? null })
})
process.on('disconnect', () => process.exit(0))
process.send({ address: null })
