import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Font } from 'fontkit'
import { openSync } from 'fontkit'
import subsetFont from 'subset-font'

/**
 * Greek letters, roots, arrows and marks that the text face has no glyphs for, cut out of DejaVu Sans Condensed into one small file for
 * the browser: `npm run signs` after a new sign came into use. The prints take the whole face from its package.
 */
const require = createRequire(import.meta.url)
const root = fileURLToPath(new URL('..', import.meta.url))
export const signsFile = join(root, 'web/theme/signs.woff2')
export const textFace = require.resolve('@fontsource/barlow/files/barlow-latin-400-normal.woff')
export const signsFace = require.resolve('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf')
export const openFace = (file: string): Font => openSync(file) as Font

const sources = (folder: string): string[] =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.tsx?$/.test(f) && !/\.test\.tsx?$/.test(f))
    .map((f) => join(root, folder, f))

/** Every sign beyond plain letters that the program's own words use. */
export const signsInUse = (): string[] => {
  const text = ['core', 'web', 'server'].flatMap(sources).map((f) => readFileSync(f, 'utf8'))
  return [...new Set(text.join(''))].filter((c) => (c.codePointAt(0) ?? 0) > 126).sort()
}
const has = (face: Font, sign: string) => face.hasGlyphForCodePoint(sign.codePointAt(0) ?? 0)
export const notIn = (faces: Font[], signs: string[]): string[] => signs.filter((c) => !faces.some((f) => has(f, c)))

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const needed = notIn([openFace(textFace)], signsInUse())
  writeFileSync(signsFile, await subsetFont(readFileSync(signsFace), needed.join(''), { targetFormat: 'woff2' }))
  console.log(`${needed.length} signs: ${needed.join(' ')}`)
}
