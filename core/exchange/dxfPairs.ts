const CLOSED_BY: Record<string, string> = { SECTION: 'ENDSEC', TABLE: 'ENDTAB', BLOCK: 'ENDBLK', POLYLINE: 'SEQEND' }
/** Which way the plane of each entity of a kind looks, in the order of the file (group 230, DXF reference: 1 where none is said). */
export type Facing = Map<string, number[]>

/**
 * Pairs of a code and a value to the end of the file, and all that opens shut again: of a file that was cut off the usual reader would never come back. With them
 * the way each entity faces, which that reader keeps for some kinds only. null = no such file.
 */
export function pairsOf(text: string): Facing | null {
  const lines = text.split(/\r\n|\r|\n/)
  while (lines.length && !lines[lines.length - 1]!.trim()) lines.pop()
  if (lines.length < 2 || lines.length % 2) return null
  const open: string[] = []
  const facing: Facing = new Map()
  let [section, of] = ['', '']
  for (let i = 0; i < lines.length; i += 2) {
    if (!/^\s*-?\d{1,4}\s*$/.test(lines[i]!)) return null
    const code = Number(lines[i])
    const word = lines[i + 1]!.trim()
    if (code === 2 && of === 'SECTION') section = word
    if (code === 230 && section === 'ENTITIES') facing.get(of)?.splice(-1, 1, Number(word))
    if (code !== 0) continue
    of = word
    if (section === 'ENTITIES') (facing.get(of) ?? facing.set(of, []).get(of))?.push(1)
    const last = i + 2 >= lines.length
    if ((word === 'EOF') !== last) return null
    const shut = CLOSED_BY[word]
    if (shut) open.push(shut)
    else if (Object.values(CLOSED_BY).includes(word) && open.pop() !== word) return null
  }
  return open.length === 0 ? facing : null
}
