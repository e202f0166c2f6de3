import { reactive } from 'vue'
import { t } from '@/words/words'

/** What a finding is called, by its kind; short enough for a mark on the art. What is learnt later is seen on a page that is there already. */
const names = reactive<Record<string, string>>({
  'thin-line': t('Thin line'), 'narrow-gap': t('Narrow gap'), 'see-through': t('See-through'), 'near-black': t('Near-black'), 'clip-path': t('Clip'), 'path-data': t('Broken path'),
  'external-reference': t('Outside the file'), 'missing-reference': t('Missing copy'), text: t('Text'), gradient: t('Gradient'), image: t('Picture'), mask: t('Mask'), filter: t('Filter'), pattern: t('Pattern'),
  'outside-page': t('Outside the page'), 'overlapping-sheets': t('Sheets overlap'), 'letters-cut': t('Letters cut off'), 'missing-font': t('Font replaced'), 'missing-glyph': t('Missing letter'),
  'no-size': t('No size'), blend: t('Blend'), foreignObject: t('Foreign content'), style: t('Style sheet'), colour: t('Colour'), script: t('Script'),
})

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
