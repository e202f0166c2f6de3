import { createInterpolation, createSimpleExpression, processExpression, type AttributeNode, type DirectiveNode, type NodeTransform, type TemplateChildNode } from '@vue/compiler-dom'

/** Attributes of elements and components whose value is read by a person. */
const READ = new Set(['title', 'placeholder', 'label', 'aria-label', 'alt', 'content', 'help', 'description', 'active-text', 'inactive-text', 'start-placeholder', 'what', 'says', 'name-of', 'empty', 'unit-words', 'confirm', 'ask', 'hint'])

/** Whether there is something to translate: signs, numbers and units are the same everywhere. */
function isWords(text: string): boolean {
  return /\p{L}{2}/u.test(text.replace(/\{\d+\}|\b(mm|cm|kB|MB|px)\b/g, ''))
}

/** ICU takes braces and apostrophes before them for its own. */
function escaped(text: string): string {
  return text.replace(/'(?=[{}'])/g, "''").replace(/[{}]/g, (sign) => `'${sign}'`)
}

/**
 * Makes every run of words in a template a sentence of the catalogue: words and what is interpolated between them are one message with numbered places, so that another
 * language can put them in another order; likewise attributes that are read. A template is written in plain English, and no sentence of it can be forgotten.
 */
export function sentences(): NodeTransform {
  return (node, context) => {
    if (node.type === 1) {
      if (node.tag === 'code' || node.tag === 'kbd' || node.tag === 'style' || node.tag === 'script') return
      node.props = node.props.map((prop) => {
        if (prop.type !== 6 || prop.value === undefined || !READ.has(prop.name) || !isWords(prop.value.content)) return prop
        const message = escaped(prop.value.content)
        const said = createSimpleExpression(`$t(${JSON.stringify(message)})`, false, prop.loc)
        return { type: 7, name: 'bind', rawName: `:${prop.name}`, arg: createSimpleExpression(prop.name, true, prop.loc), exp: context.prefixIdentifiers ? processExpression(said, context) : said, modifiers: [], loc: prop.loc } as DirectiveNode | AttributeNode
      })
    }
    if (node.type !== 0 && node.type !== 1 && node.type !== 10 && node.type !== 11) return
    const children = node.children as TemplateChildNode[]
    const made: TemplateChildNode[] = []
    for (let at = 0; at < children.length; at++) {
      const run: TemplateChildNode[] = []
      while (at < children.length && (children[at]!.type === 2 || children[at]!.type === 5)) run.push(children[at++]!)
      made.push(...said(run))
      if (at < children.length) made.push(children[at]!)
    }
    children.splice(0, children.length, ...made)
  }
}

/** One interpolation for a run of words and values; what has no words stays as it is. */
function said(run: TemplateChildNode[]): TemplateChildNode[] {
  const words = run.map((one) => (one.type === 2 ? one.content : '')).join('')
  if (!isWords(words)) return run
  const values: string[] = []
  const whole = run.map((one) => {
    if (one.type === 2) return escaped(one.content.replace(/\s+/g, ' '))
    values.push((one as unknown as { content: { content: string } }).content.content)
    return `{${values.length - 1}}`
  }).join('')
  const message = whole.trim()
  const call = `$t(${JSON.stringify(message)}${values.length ? `, [${values.map((value) => `(${value})`).join(', ')}]` : ''})`
  const before = whole.startsWith(' ') ? '" " + ' : ''
  const after = whole.endsWith(' ') ? ' + " "' : ''
  return [createInterpolation(createSimpleExpression(`${before}${call}${after}`, false, run[0]!.loc), run[0]!.loc)]
}
