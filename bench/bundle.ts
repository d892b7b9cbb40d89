import { existsSync, readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'

/** What a first visit of the Slipway fetches, and of a job before the 3D view: scripts and styles gzipped, fonts as they are. */
export function bundleBench(): string[][] {
  if (!existsSync('dist/index.html')) return [['first visit', 'not run', 'needs a build (npm run build)']]
  const seen = new Set<string>()
  const follow = (file: string): void => {
    if (seen.has(file) || !existsSync(`dist/assets/${file}`)) return
    seen.add(file)
    const text = readFileSync(`dist/assets/${file}`, 'utf8')
    for (const m of text.matchAll(/(?:import|from)\s*["']\.\/([\w.-]+\.js)["']/g)) follow(m[1])
  }
  for (const m of readFileSync('dist/index.html', 'utf8').matchAll(/assets\/([\w.-]+\.(?:js|css))/g)) follow(m[1])
  const weigh = () => [...seen].reduce((s, f) => s + gzipSync(readFileSync(`dist/assets/${f}`)).length, 0)
  const first = weigh()
  const index = readFileSync(`dist/assets/${[...seen].find((f) => f.startsWith('index-') && f.endsWith('.js'))}`, 'utf8')
  for (const m of index.matchAll(/assets\/((?:JobPage|LayoutStation|DrawingPane|Workbench)[\w.-]+\.js)/g)) follow(m[1])
  const kb = (n: number) => `${(n / 1000).toFixed(0)} kB`
  return [
    ['first visit, Slipway, gzipped', kb(first), 'scripts and styles; three fonts come to 63 kB more'],
    ['a job at Layout as well, gzipped', kb(weigh()), 'before the 3D view'],
  ]
}
