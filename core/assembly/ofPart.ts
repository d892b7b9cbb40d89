/** A figure of one part, worked out once for each: a part is never changed, a changed one is another. */
export function ofPart<Part extends object, Figure>(figure: (part: Part) => Figure): (part: Part) => Figure {
  const known = new WeakMap<Part, { figure: Figure }>()
  return (part) => {
    const kept = known.get(part) ?? { figure: figure(part) }
    known.set(part, kept)
    return kept.figure
  }
}
