import { compileTemplate } from 'vue/compiler-sfc'
import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser'
import { globSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { gather } from './gather'
import { sentences } from '../resources/js/words/sentences'
import { counted } from '../resources/js/words/words'

const said = [...gather('.').keys()]
const catalogues = globSync('lang/page/*.json').map((file) => ({ file, words: JSON.parse(readFileSync(file, 'utf8')) as Record<string, string> }))
/** What is filled in, by name, wherever in the message: whatever a language does with it, nothing of it may be lost. */
function places(message: string): string[] {
  const found = new Set<string>()
  const walk = (parts: MessageFormatElement[]): void => {
    for (const part of parts) {
      if ('value' in part && part.type !== TYPE.literal) found.add(String(part.value))
      if ('options' in part && part.options) for (const option of Object.values(part.options)) walk(option.value)
    }
  }
  walk(parse(message, { ignoreTag: true }))
  return [...found].sort()
}

describe('the page in other languages', () => {
  it('has German', () => expect(catalogues.map(({ file }) => file)).toContain('lang/page/de.json'))

  it.each(catalogues)('$file says every sentence of the page, and no other (node lang/gather.ts)', ({ words }) => {
    expect(said.filter((message) => !words[message])).toEqual([])
    expect(Object.keys(words).filter((message) => !said.includes(message))).toEqual([])
  })

  it.each(catalogues)('$file fills in what the English sentence does', ({ words }) => {
    const wrong = Object.entries(words).filter(([english, other]) => places(english).join() !== places(other).join())
    expect(wrong).toEqual([])
  })

  // Labels stand on buttons and beside fields; what is twice as long, and more than a few letters, does not fit there.
  it.each(catalogues)('$file has labels that fit', ({ words }) => {
    expect(Object.entries(words).filter(([english, other]) => english.length <= 14 && !english.includes('{') && other.length > 2 * english.length + 12)).toEqual([])
  })

  it('keeps signs before and after a sentence', () => {
    const wrong = catalogues.flatMap(({ words }) => Object.entries(words)).filter(([english, other]) => /^[ ,;:.]/.exec(english)?.[0] !== /^[ ,;:.]/.exec(other)?.[0] || english.endsWith(' ') !== other.endsWith(' '))
    expect(wrong).toEqual([])
  })
})

describe('a template', () => {
  const code = (source: string) => compileTemplate({ source, filename: 'x.vue', id: 'x', compilerOptions: { nodeTransforms: [sentences()] } }).code

  it('says each run of words as one message', () => {
    expect(code('<p>Page {{ at }} of {{ all }}</p>')).toContain('$t("Page {0} of {1}", [(_ctx.at), (_ctx.all)])')
  })
  it('says attributes that are read, and no others', () => {
    const made = code('<button title="Zoom in" class="Zoom in" data-test="Zoom in" />')
    expect(made).toContain('title: _ctx.$t("Zoom in")')
    expect(made.match(/\$t\(/g)).toHaveLength(1)
  })
  it('keeps the space beside an element', () => {
    expect(code('<p><b>{{ x }}</b> of them</p>')).toContain('" " + _ctx.$t("of them")')
  })
  it('leaves numbers, units, keys and code alone', () => {
    expect(code('<p>{{ x }} × {{ y }} mm <kbd>Shift</kbd><code>php artisan</code></p>')).not.toContain('$t(')
  })
  it('says what stands in branches and lists', () => {
    const made = code('<div><template v-if="a">First one</template><template v-else>Second one</template><template v-for="x in y" :key="x">Third one</template></div>')
    for (const words of ['First one', 'Second one', 'Third one']) expect(made).toContain(`$t("${words}")`)
  })
  it('takes braces and apostrophes as they are', () => {
    expect(code("<p>{{ a }}'s file</p>")).toContain('$t("{0}\'s file"')
  })
})

it('counts as the page does', () => expect(said).toContain(counted('piece')))
