/** What goes wrong with a coat, by what is seen: why it is so, and what puts it right. The shop's own experience; a product's sheet comes first. */
export type CoatFault = { seen: string; why: string; cure: string }
export const coatFaults: CoatFault[] = [
  {
    seen: 'Craters with bare spots, fish eyes',
    why: 'oil, wax or silicone on the metal, or in the air line',
    cure: 'let it harden, abrade to sound coat, degrease twice with clean cloths, drain the air line',
  },
  {
    seen: 'Runs and curtains',
    why: 'too thick at once, too thin a mix, or too cold',
    cure: 'let it harden, abrade flat, coat again in thinner passes',
  },
  {
    seen: 'Flakes off in sheets',
    why: 'no key: not abraded, a primer for another metal, or past its time to be coated again',
    cure: 'strip to sound metal, abrade, prime with what this metal takes',
  },
  {
    seen: 'Wrinkles',
    why: 'a coat put on before the one beneath had let go its solvent',
    cure: 'let it harden right through, abrade, wait the full time between coats',
  },
  {
    seen: 'Dull or milky',
    why: 'damp air or a cold part: water on it while it dried',
    cure: 'warm part and room above the dew point, abrade and coat again',
  },
  {
    seen: 'Orange skin',
    why: 'sprayed too dry, from too far, or too cold',
    cure: 'abrade level, thin as its sheet says, nearer and warmer',
  },
  {
    seen: 'Pinholes on zinc or castings',
    why: 'gas driven out of the metal in the oven',
    cure: 'bake the bare part first above the curing heat, then coat',
  },
  {
    seen: 'Rust creeping from a seam',
    why: 'spatter, slag or a gap that no coat reached',
    cure: 'bare the seam, grind clean, prime by brush, seal the gap',
  },
]
