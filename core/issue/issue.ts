/** A change to the job that clears an issue or relieves a limit: set the value at a path inside the job. */
export type Patch = { path: (string | number)[]; to: unknown }

/** What is wrong with what was asked, with numbers; a sentence under `says` has its lengths in braces, mm. `fix` becomes a button. */
export type Issue = { at: (string | number)[]; fix: Patch[] | null } & (
  | { code: 'piece_unknown'; piece: string; family: string }
  | { code: 'piece_on_gone'; piece: string }
  | { code: 'piece_on_nothing'; piece: string; other: string }
  | { code: 'piece_circle'; piece: string; other: string }
  | { code: 'piece_does_not_fit'; piece: string; says: string }
  | { code: 'pieces_meet'; piece: string; other: string; part: string; otherPart: string }
  | { code: 'load_on_gone'; item: string }
  | { code: 'load_bridges'; item: string; one: string; other: string; movesMm: number | null; bolted: boolean }
  | { code: 'load_one_body'; item: string }
  | { code: 'use_not_agreed'; item: string; use: string }
  | { code: 'shape'; says: string }
  | { code: 'no_mount_line' }
  | { code: 'no_bars' }
  | { code: 'bar_off_mount'; bar: number; xMm: number; nearestMm: number }
  | { code: 'bars_too_close'; bar: number; gapMm: number; leastMm: number }
  | { code: 'bar_too_short'; bar: number; lengthMm: number }
  | { code: 'bar_hits_obstacle'; bar: number; obstacle: string; clearMm: number }
  | { code: 'bar_near_obstacle'; bar: number; obstacle: string; clearMm: number; needMm: number; opens: boolean }
  | { code: 'load_on_nothing'; item: string }
  | { code: 'load_on_one_bar'; item: string }
  | { code: 'load_hangs_outside'; item: string; outsideMm: number }
  | { code: 'load_too_large'; item: string; box: string; room: { x: number; y: number; z: number } }
  | { code: 'load_tips'; item: string; centreXMm: number; fromMm: number; toMm: number }
  | { code: 'bridges_bodies'; one: string; other: string; movesMm: number | null }
  | { code: 'load_near_body'; item: string; body: string; clearMm: number; needMm: number | null }
  | { code: 'access_covered'; item: string; obstacle: string; clearMm: number; needMm: number }
  | { code: 'swing_meets'; swing: string; item: string; atDeg: number; opensDeg: number }
  | { code: 'foot_lets_go'; foot: string; when: string }
  | { code: 'unstable'; says: string }
  | { code: 'measures_contradict'; says: string }
  | { code: 'loads_overlap'; item: string; other: string }
)
