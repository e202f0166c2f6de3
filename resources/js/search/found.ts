/** One thing that can be gone to. */
export interface Place {
  sort: string
  label: string
  says: string
  /** Where that is on the page. */
  to?: string
  run?: () => unknown
}

/** How well words fit what something is called: every word begins a word of it. None at all is null; less is better. */
export function fits(words: string, place: Pick<Place, 'label' | 'says'>): number | null {
  const asked = words.toLowerCase().split(/\s+/).filter(Boolean)
  if (asked.length === 0) return 0
  const name = place.label.toLowerCase()
  const text = ` ${name} ${place.says.toLowerCase()}`
  let worse = 0
  for (const word of asked) {
    if (name.startsWith(word)) continue
    if (` ${name}`.includes(` ${word}`)) worse += 1
    else if (text.includes(` ${word}`)) worse += 4
    else if (name.includes(word)) worse += 3
    else return null
  }
  return worse + name.length / 200
}

/** Those that fit, the best first, so many of each sort at most. */
export function found(words: string, all: Place[], most = 7): Place[] {
  const scored = all.map((place) => ({ place, worse: fits(words, place) })).filter((one): one is { place: Place; worse: number } => one.worse !== null).sort((a, b) => a.worse - b.worse)
  const many: Record<string, number> = {}
  return scored.filter(({ place }) => (many[place.sort] = (many[place.sort] ?? 0) + 1) <= most).map(({ place }) => place)
}
