/** What a finding is called, by its kind; short enough for a mark on the art. */
const names: Record<string, string> = {
  'thin-line': 'Thin line', 'narrow-gap': 'Narrow gap', 'see-through': 'See-through', 'near-black': 'Near-black', 'clip-path': 'Clip', 'path-data': 'Broken path',
  'external-reference': 'Outside the file', 'missing-reference': 'Missing copy', text: 'Text', gradient: 'Gradient', image: 'Picture', mask: 'Mask', filter: 'Filter', pattern: 'Pattern',
  'outside-page': 'Outside the page', 'overlapping-sheets': 'Sheets overlap', 'letters-cut': 'Letters cut off', 'missing-font': 'Font replaced', 'missing-glyph': 'Missing letter',
  'no-size': 'No size', blend: 'Blend', foreignObject: 'Foreign content', style: 'Style sheet', colour: 'Colour', script: 'Script',
}

/** What checks find says itself what it is called. */
export function learn(found: { kind: string; label: string }[]) {
  for (const one of found) names[one.kind] ??= one.label
}

export function nameOf(kind: string): string {
  return names[kind] ?? kind.replace(/-/g, ' ').replace(/^./, (first) => first.toUpperCase())
}

/** How wide a label is in px, near enough for its box. */
export function labelWidth(text: string): number {
  return Math.max(62, Math.ceil(text.length * 6.6) + 14)
}
