<script setup lang="ts">
import { api, words as sentence } from '@/api/client'
import type { Shown } from '@/api/types'
import { useLight } from '@/stores/light'
import { number, region, t } from '@/words/words'
import { computed, nextTick, ref } from 'vue'

/** What a customer sees by a link: one proof, its facts, and the two things that can be said of it. It leads to nothing else. */
const secret = location.pathname.split('/').pop() ?? ''
useLight()
const shown = ref<Shown | null>(null)
const problem = ref('')
const busy = ref(false)
const asks = ref<'' | 'approved' | 'changes'>('')
const by = ref('')
const words = ref('')
const close = ref(false)
/** Places in shares of the picture. */
const pins = ref<{ x: number; y: number; words: string }[]>([])
const said = ref(false)

async function load() {
  problem.value = ''
  try {
    shown.value = await api.get<Shown>(`shown/${secret}`)
    document.title = `${shown.value.title} · Neat Edge`
  } catch (refused) {
    problem.value = sentence(refused)
  }
}
void load()
const last = computed(() => shown.value?.answers.at(-1) ?? null)
const day = (text: string) => new Date(text).toLocaleDateString(region, { dateStyle: 'long' })
const size = computed(() => (shown.value ? `${number(shown.value.width, 1)} × ${number(shown.value.height, 1)} mm` : ''))

function press(event: MouseEvent) {
  if (asks.value !== 'changes' || pins.value.length >= 30) return
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  add((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
}
function add(x: number, y: number) {
  pins.value.push({ x, y, words: '' })
  void nextTick(() => document.querySelector<HTMLInputElement>(`#pin-${pins.value.length - 1}`)?.focus({ preventScroll: pins.value.length > 1 }))
}
/** A pin is set without a mouse: arrows move it. */
function nudge(event: KeyboardEvent, pin: { x: number; y: number }) {
  const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  if (!by) return
  event.preventDefault()
  const step = event.shiftKey ? 0.05 : 0.01
  pin.x = Math.min(1, Math.max(0, pin.x + by[0]! * step))
  pin.y = Math.min(1, Math.max(0, pin.y + by[1]! * step))
}
function begin(kind: 'approved' | 'changes') {
  asks.value = kind
  problem.value = ''
  void nextTick(() => document.getElementById(kind === 'approved' ? 'by' : 'wish')?.focus())
}
async function say() {
  const { across: width, down: height } = shown.value!
  problem.value = by.value.trim() === '' ? t('Give your name.') : ''
  if (problem.value) return
  busy.value = true
  try {
    shown.value = await api.post<Shown>(`shown/${secret}/answers`, { kind: asks.value, by: by.value, words: words.value, pins: asks.value === 'changes' ? pins.value.map((pin) => ({ x: pin.x * width, y: pin.y * height, words: pin.words })) : [] })
    asks.value = ''
    words.value = ''
    pins.value = []
    said.value = true
    void nextTick(() => document.getElementById('said')?.focus())
  } catch (refused) {
    problem.value = sentence(refused)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main id="work" class="shown" tabindex="-1">
    <header><img src="/mark.svg" alt=""><div><h1>{{ shown?.title ?? $t('A proof') }}</h1><p v-if="shown?.customer" class="quiet">for {{ shown.customer }}</p></div></header>
    <p v-if="!shown && !problem" class="quiet" role="status">Loading…</p>
    <div v-if="!shown && problem" class="trouble" role="alert" data-test="nowhere"><p>{{ problem }}</p><p>The link may have ended, or was taken back. Ask the shop for a new one.</p></div>
    <template v-if="shown">
      <div id="said" class="answered" tabindex="-1" role="status">
        <p v-if="last" :class="last.kind" data-test="last"><strong>{{ last.kind === 'approved' ? $t('Approved by {by}.', { by: last.by }) : $t('{by} asked for a change.', { by: last.by }) }}</strong> {{ said ? $t('Thank you: the shop has it.') : '' }}</p>
      </div>
      <figure :class="{ close, pinning: asks === 'changes' }">
        <div class="picture" data-test="picture" @click="press">
          <img :src="`/api/v1/shown/${secret}/picture.png`" :alt="$t('The proof of {title}', { title: shown.title })" draggable="false">
          <button v-for="(pin, index) in pins" :key="index" type="button" class="pin" :style="{ left: `${pin.x * 100}%`, top: `${pin.y * 100}%` }" :aria-label="$t('Pin {number}: arrows move it', { number: index + 1 })" :data-pin="index" @click.stop @keydown="nudge($event, pin)">{{ index + 1 }}</button>
        </div>
      </figure>
      <p class="tools"><button type="button" class="quiet-button" :aria-pressed="close" data-test="close" @click="close = !close">{{ close ? $t('The whole picture') : $t('Look closer') }}</button></p>
      <dl v-show="asks === ''">
        <dt>Finished size</dt><dd>{{ size }}</dd>
        <dt>Made as</dt><dd>{{ shown.processLabel }}</dd>
        <template v-if="shown.materials.length > 0"><dt>Material</dt><dd>{{ shown.materials.join(', ') }}</dd></template>
        <dt>Colours</dt><dd><ul class="colours"><li v-for="one in shown.sheets" :key="one.colour"><i :style="{ background: one.colour }" />{{ one.name || one.colour }}</li></ul></dd>
        <dt>Against your file</dt><dd>{{ shown.sentence }}.</dd>
        <dt>To be answered by</dt><dd>{{ day(shown.ends) }}</dd>
      </dl>
      <div v-if="asks === ''" class="choice">
        <button type="button" class="yes" data-test="yes" @click="begin('approved')">Approve it</button>
        <button type="button" class="no" data-test="no" @click="begin('changes')">Ask for a change</button>
      </div>
      <form v-else novalidate @submit.prevent="say">
        <h2>{{ asks === 'approved' ? $t('Approve it') : $t('Ask for a change') }}</h2>
        <template v-if="asks === 'changes'">
          <p>Press the picture where something is to be otherwise, and say what.</p>
          <ol v-if="pins.length > 0">
            <li v-for="(pin, index) in pins" :key="index"><input :id="`pin-${index}`" v-model="pin.words" maxlength="500" :placeholder="$t('what is to be otherwise here')" :aria-label="$t('What is to be otherwise at pin {number}', { number: index + 1 })"><button type="button" class="quiet-button" @click="pins.splice(index, 1)">Take away</button></li>
          </ol>
          <button type="button" class="quiet-button" data-test="add-pin" :disabled="pins.length >= 30" @click="add(0.5, 0.5)">Set a pin in the middle</button>
        </template>
        <label>{{ asks === 'approved' ? $t('Anything else, if you like') : $t('What is to be changed') }}<textarea id="wish" v-model="words" rows="3" maxlength="2000" data-test="wish" /></label>
        <label>Your name<input id="by" v-model="by" maxlength="80" autocomplete="name" data-test="by"></label>
        <p v-if="asks === 'approved'" class="quiet">With this you say that it can be made as you see it here.</p>
        <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
        <div class="choice"><button type="submit" :class="asks === 'approved' ? 'yes' : 'no'" :disabled="busy" data-test="say">{{ asks === 'approved' ? $t('Yes, make it so') : $t('Send it to the shop') }}</button><button type="button" class="quiet-button" @click="asks = ''">Cancel</button></div>
      </form>
    </template>
  </main>
</template>

<style scoped>
.shown { max-width: 760px; margin: 0 auto; padding: 16px 16px 60px; outline: none; display: flex; flex-direction: column; gap: 16px; }
header { display: flex; gap: 12px; align-items: center; }
header img { width: 40px; }
h1 { font-size: 26px; line-height: 1.15; overflow-wrap: anywhere; }
figure { margin: 0; overflow: hidden; border-radius: 6px; border: 1px solid var(--line-strong); background: var(--bed); }
figure.close { overflow: auto; max-height: 74vh; }
.picture { position: relative; width: 100%; }
.close .picture { width: 260%; }
.pinning .picture { cursor: crosshair; }
.picture img { display: block; width: 100%; user-select: none; }
.pin { position: absolute; width: 32px; height: 32px; margin: -16px 0 0 -16px; border-radius: 50% 50% 50% 3px; transform: rotate(0); border: 2px solid var(--card); background: var(--coral-deep); color: #fff; font: 700 15px var(--text-face); cursor: grab; }
.tools { margin: 0; }
.tools button, .quiet-button { min-height: 44px; padding: 8px 14px; }
dl { display: grid; grid-template-columns: minmax(110px, auto) 1fr; gap: 7px 14px; margin: 0; }
dt { color: var(--ink-mid); }
dd { margin: 0; overflow-wrap: anywhere; }
.colours { list-style: none; margin: 0; padding: 0; display: flex; flex-direction: column; gap: 3px; }
.colours i { display: inline-block; width: 18px; height: 18px; border-radius: 3px; border: 1px solid var(--line-strong); vertical-align: -3px; margin-right: 8px; }
.choice { display: flex; gap: 12px; flex-wrap: wrap; }
.yes, .no { min-height: 48px; padding: 10px 22px; border-radius: 5px; font: 600 18px var(--text-face); cursor: pointer; flex: 1 1 150px; }
.yes { background: var(--green); color: var(--on-green); border: 1px solid var(--green); }
.no { background: var(--card); color: var(--ink); border: 1px solid var(--line-strong); }
form { display: flex; flex-direction: column; gap: 12px; border-top: 1px solid var(--line); padding-top: 14px; }
form label { display: flex; flex-direction: column; gap: 5px; }
input, textarea { font: 17px/1.3 var(--text-face); padding: 9px 11px; border: 1px solid var(--line-strong); border-radius: 4px; background: var(--card); color: var(--ink); width: 100%; min-width: 0; }
ol { margin: 0; padding-left: 24px; display: flex; flex-direction: column; gap: 8px; }
ol li input { margin-bottom: 5px; }
.answered { outline: none; }
.answered p { padding: 10px 14px; border-radius: 4px; background: var(--coral-pale); margin: 0; }
.answered p.approved { background: var(--green-pale); }
</style>
