<script setup lang="ts">
import { api, words } from '@/api/client'
import type { Job, ListedJob } from '@/api/types'
import { ElButton } from 'element-plus'
import { t } from '@/words/words'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useWalk } from './useWalk'

/** For whoever has no job of their own yet: what happens here, in three pictures, and three ways to begin. */
const props = defineProps<{ jobs: ListedJob[] }>()
const emit = defineEmits<{ problem: [sentence: string] }>()
const router = useRouter()
const walk = useWalk()
const busy = ref(false)
/** On a job of the walk's own, so that the demo stays as it is. */
async function lead() {
  const demo = props.jobs.find((job) => job.demo && job.process === 'cut-vinyl') ?? props.jobs.find((job) => job.demo)
  if (!demo) return emit('problem', t('The demo jobs are not here any more. Whoever runs the shop can bring them back.'))
  busy.value = true
  try {
    const job = await api.post<Job>(`jobs/${demo.id}/copy`)
    walk.begin(job.id)
    await router.push(`/jobs/${job.id}/set-up`)
  } catch (refused) {
    emit('problem', words(refused))
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section class="start" aria-label="Begin here" data-test="start-here">
    <ol>
      <li>
        <svg viewBox="0 0 200 120" aria-hidden="true"><path class="sheet" d="M22 12H128L150 34V108H22Z" /><path class="fold" d="M128 12V34H150" /><path class="thin" d="M44 86C60 40 92 40 108 86" /><path class="thick" d="M50 92H118" /><circle class="thin" cx="84" cy="52" r="15" /><path class="pile" d="M96 60h26v26h-26z" /><path class="pile2" d="M106 70h26v26h-26z" /></svg>
        <p><strong>Artwork comes in</strong> as somebody left it: strokes, piles, hairlines.</p>
      </li>
      <li>
        <svg viewBox="0 0 200 120" aria-hidden="true"><path class="sheet" d="M14 24H78V98H14Z" /><path class="a" d="M30 82C40 44 58 44 66 82H56C52 62 44 62 40 82Z" /><path class="sheet" d="M86 24H150V98H86Z" /><path class="b" d="M102 44h32v32h-32z" /><path class="go" d="M158 61H186M176 51L187 61L176 71" /><text x="22" y="112">1</text><text x="94" y="112">2</text></svg>
        <p><strong>The prep line makes it ready</strong>: closed outlines, one sheet a colour, every width checked.</p>
      </li>
      <li>
        <svg viewBox="0 0 200 120" aria-hidden="true"><path class="bed" d="M10 30H190V100H10Z" /><path class="cut" d="M40 84C54 44 84 44 96 84H82C78 64 58 64 54 84Z" /><path class="rail" d="M10 40H190" /><path class="head" d="M104 32h26v18l-13 12l-13-12z" /><circle class="tip" cx="117" cy="64" r="3" /></svg>
        <p><strong>The machine gets it</strong>: the blade, the film, the engraver, at the size you typed.</p>
      </li>
    </ol>
    <div class="ways">
      <ElButton type="primary" size="large" data-test="start-file" @click="router.push('/new')">Start with your file</ElButton>
      <ElButton size="large" data-test="start-empty" @click="router.push('/new?empty=1')">Draw on an empty bench</ElButton>
      <ElButton size="large" :loading="busy" data-test="start-walk" @click="lead">Let a demo job lead you through</ElButton>
    </div>
  </section>
</template>

<style scoped>
.start { border: 1px solid var(--line-strong); border-radius: 6px; background: var(--card); padding: 22px 26px; margin-bottom: 26px; }
ol { list-style: none; margin: 0 0 18px; padding: 0; display: grid; grid-template-columns: repeat(3, 1fr); gap: 26px; }
svg { width: 100%; max-width: 220px; height: auto; display: block; margin: 0 auto 8px; }
p { line-height: 1.3; text-align: center; }
.ways { display: flex; flex-wrap: wrap; gap: 12px; justify-content: center; }
.ways .el-button { margin: 0; }
.sheet, .bed { fill: var(--sheet); stroke: var(--line-strong); stroke-width: 1.5; }
.bed { fill: var(--bed); }
.fold, .rail { fill: none; stroke: var(--line-strong); stroke-width: 1.5; }
.thin { fill: none; stroke: #26231d; stroke-width: 1.2; }
.thick { fill: none; stroke: #26231d; stroke-width: 7; }
.pile { fill: #d9a441; }
.pile2 { fill: #d4553c; opacity: .85; }
.a { fill: #1d5c46; }
.b { fill: #d9a441; }
.cut { fill: none; stroke: #1d5c46; stroke-width: 2; stroke-dasharray: 6 3; }
.go { fill: none; stroke: var(--green); stroke-width: 3; }
.head { fill: #4a4438; }
.tip { fill: #d4553c; }
text { font: 600 12px var(--text-face); fill: #59544a; }
@media (max-width: 700px) { ol { grid-template-columns: 1fr; } }
</style>
