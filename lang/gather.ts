import { compileTemplate, parse } from 'vue/compiler-sfc'
import { globSync, readFileSync, writeFileSync } from 'node:fs'
import ts from 'typescript'
import { sentences } from '../resources/js/words/sentences.ts'
import { counted } from '../resources/js/words/words.ts'

/** Every sentence of the page with the files that say it, in the order of the files: those of templates (sentences.ts) and those of `t(…)`, `$t(…)` and `count(…)`. */
export function gather(root: string): Map<string, string[]> {
  const all = new Map<string, string[]>()
  for (const file of globSync('resources/js/**/*.{ts,vue}', { cwd: root }).sort()) {
    if (/\.test\.ts$|\/words\/|types\.ts$/.test(file)) continue
    const text = readFileSync(`${root}/${file}`, 'utf8')
    for (const message of file.endsWith('.vue') ? ofComponent(text, file) : ofCode(text)) {
      const files = all.get(message) ?? []
      if (!files.includes(file)) all.set(message, [...files, file])
    }
  }
  return all
}

function ofComponent(text: string, file: string): string[] {
  const { descriptor } = parse(text, { filename: file })
  const script = descriptor.scriptSetup ?? descriptor.script
  const found = script ? ofCode(script.content) : []
  if (descriptor.template) {
    const made = compileTemplate({ source: descriptor.template.content, filename: file, id: file, compilerOptions: { nodeTransforms: [sentences()], expressionPlugins: ['typescript'] } })
    if (made.errors.length > 0) throw new Error(`${file}: ${String(made.errors[0])}`)
    found.push(...ofCode(made.code))
  }
  return found
}

/** Calls that say something, whatever they are made on: `t`, `_ctx.$t`, `say`, `_unref(count)`. */
const SAYS = new Set(['t', '$t', 'say'])

function ofCode(code: string): string[] {
  const found: string[] = []
  const visit = (node: ts.Node): void => {
    if (ts.isCallExpression(node)) {
      const called = ts.isPropertyAccessExpression(node.expression) ? node.expression.name.text : ts.isIdentifier(node.expression) ? node.expression.text : ''
      const words = node.arguments.filter((one) => ts.isStringLiteralLike(one)).map((one) => (one as ts.StringLiteralLike).text)
      if (SAYS.has(called) && node.arguments[0] && ts.isStringLiteralLike(node.arguments[0])) found.push(node.arguments[0].text)
      if (called === 'count' && words.length > 0) found.push(counted(words[0]!, words[1]))
    }
    ts.forEachChild(node, visit)
  }
  visit(ts.createSourceFile('x.ts', code, ts.ScriptTarget.Latest, true))
  return found
}

/** `node lang/gather.ts`: writes what is missing into every catalogue, as empty sentences, and takes away what nothing says any more. */
if (process.argv[1]?.endsWith('gather.ts')) {
  const said = gather('.')
  for (const file of globSync('lang/page/*.json')) {
    const known = JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>
    writeFileSync(file, JSON.stringify(Object.fromEntries([...said.keys()].map((message) => [message, known[message] ?? ''])), null, 1) + '\n')
    console.log(`${file}: ${[...said.keys()].filter((message) => !known[message]).length} of ${said.size} are missing`)
  }
}
