import type { CargoDraft } from '../brief/cargo'

/** Generic things people carry, with their own support rules where the kind has a usual one. Masses are estimates until weighed. */
export const accessories: (CargoDraft & { id: string })[] = [
  { id: 'sampling-poles', name: 'Sampling poles, bundle of six', massKg: { least: 12, most: 15 }, massBasis: 'estimated', lengthMm: 3400, widthMm: 240, heightMm: 90, counts: 'driving', maxOverhangMm: 600, maxSpanMm: 1800, ruleSource: "shop's own, flexible poles" },
  { id: 'equipment-case', name: 'Equipment case', massKg: { least: 42, most: 42 }, massBasis: 'weighed', lengthMm: 1200, widthMm: 600, heightMm: 420, counts: 'driving', maxOverhangMm: 250, maxSpanMm: 1000, ruleSource: "maker's sheet" },
  { id: 'side-awning', name: 'Side awning', massKg: { least: 31, most: 31 }, massBasis: 'maker', lengthMm: 2600, widthMm: 150, heightMm: 140, counts: 'both', maxOverhangMm: 500, maxSpanMm: 1500, ruleSource: "maker's sheet" },
  { id: 'ladder', name: 'Two-part ladder', massKg: { least: 16, most: 19 }, massBasis: 'estimated', lengthMm: 3200, widthMm: 420, heightMm: 140, counts: 'driving', maxOverhangMm: 900, maxSpanMm: 2000, ruleSource: "shop's own" },
  { id: 'roof-tent', name: 'Fold-out roof tent', massKg: { least: 58, most: 62 }, massBasis: 'maker', lengthMm: 2200, widthMm: 1300, heightMm: 300, counts: 'both', maxOverhangMm: 450, maxSpanMm: 1000, ruleSource: "maker's sheet" },
  { id: 'two-sleepers', name: 'Two sleepers and bedding', massKg: { least: 150, most: 190 }, massBasis: 'estimated', lengthMm: 2000, widthMm: 1200, heightMm: 300, counts: 'parked', maxOverhangMm: null, maxSpanMm: null, ruleSource: '' },
  { id: 'sea-kayak', name: 'Sea kayak', massKg: { least: 24, most: 28 }, massBasis: 'estimated', lengthMm: 5200, widthMm: 560, heightMm: 360, counts: 'driving', maxOverhangMm: 1500, maxSpanMm: 2500, ruleSource: "shop's own" },
  { id: 'sheet-bundle', name: 'Plywood sheets, five', massKg: { least: 90, most: 105 }, massBasis: 'estimated', lengthMm: 2440, widthMm: 1220, heightMm: 60, counts: 'driving', maxOverhangMm: 400, maxSpanMm: 900, ruleSource: "shop's own" },
  { id: 'solar-panel', name: 'Solar panel, framed', massKg: { least: 11, most: 11 }, massBasis: 'maker', lengthMm: 1480, widthMm: 670, heightMm: 35, counts: 'both', maxOverhangMm: 250, maxSpanMm: 1100, ruleSource: "maker's sheet" },
  { id: 'oyster-baskets', name: 'Oyster baskets, crate of twelve', massKg: { least: 45, most: 70 }, massBasis: 'estimated', lengthMm: 1100, widthMm: 700, heightMm: 380, counts: 'driving', maxOverhangMm: 200, maxSpanMm: 900, ruleSource: "shop's own" },
  { id: 'spar', name: 'Spar or mast', massKg: { least: 22, most: 30 }, massBasis: 'estimated', lengthMm: 6200, widthMm: 160, heightMm: 160, counts: 'driving', maxOverhangMm: 1400, maxSpanMm: 3000, ruleSource: "shop's own" },
  { id: 'cargo-box', name: 'Cargo box, loaded', massKg: { least: 50, most: 75 }, massBasis: 'estimated', lengthMm: 1900, widthMm: 800, heightMm: 400, counts: 'driving', maxOverhangMm: 500, maxSpanMm: 1000, ruleSource: "maker's sheet" },
]
