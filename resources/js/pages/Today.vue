<script setup lang="ts">
import { api, words } from '@/api/client'
import type { DueJob, WorkList } from '@/api/types'
import Choose from '@/fields/Choose.vue'
import { useChoices } from '@/stores/choices'
import { region, t } from '@/words/words'
import { useSessionStorage } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { RouterLink } from 'vue-router'
import DueJobs from './DueJobs.vue'

/** What is to be done: by the day it is due, then by machine; and whom it waits for. */
const list = ref<WorkList | null>(null)
const problem = ref('')
const now = new Date()
const today = new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10)
const who = useSessionStorage<DueJob['waitsFor'] | 'all'>('neat-edge-waits', 'all')
const whom = [{ value: 'all', label: t('everything') }, { value: 'artist', label: t('what waits for an artist') }, { value: 'machine', label: t('what waits for a machine') }, { value: 'customer', label: t('what waits for a customer') }] as const
onMounted(async () => {
  try {
    list.value = await api.get<WorkList>(`today?day=${today}`)
  } catch (refused) {
    problem.value = words(refused)
  }
})
const choices = useChoices()
choices.load().catch(() => {})
const shown = computed(() => list.value?.jobs.filter((job) => who.value === 'all' || job.waitsFor === who.value) ?? [])
const day = (text: string) => new Date(`${text}T12:00:00`).toLocaleDateString(region, { weekday: 'long', day: 'numeric', month: 'long' })
/** Days with their machines, in order; what is late is one. */
const days = computed(() => {
  const all = new Map<string, Map<string, DueJob[]>>()
  for (const job of shown.value) {
    const at = job.due! < today ? 'late' : job.due!
    const machines = all.get(at) ?? all.set(at, new Map()).get(at)!
    machines.set(job.machine, [...(machines.get(job.machine) ?? []), job])
  }
  return [...all].map(([at, machines]) => ({ at, title: at === 'late' ? t('Late') : at === today ? t('Today') : day(at), machines: [...machines] }))
})
</script>

<template>
  <main id="work" tabindex="-1" class="page">
    <header>
      <RouterLink to="/" class="home"><img src="/mark.svg" alt="">Jobs</RouterLink>
      <h1>To do</h1>
      <Choose class="inline" label="Show" :value="who" :options="whom" data-test="whom" @keep="who = $event" />
    </header>
    <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
    <p v-if="!list && !problem" class="quiet">Loading…</p>
    <p v-if="list && days.length === 0" class="quiet" data-test="none">{{ list.jobs.length === 0 ? $t('Nothing is due within two weeks. A day is set on the ticket of a job, under Set up.') : $t('Nothing of that kind is due within two weeks.') }}</p>
    <section v-for="one in days" :key="one.at" :data-day="one.at">
      <h2 :class="{ late: one.at === 'late' }">{{ one.title }}</h2>
      <template v-for="[machine, jobs] in one.machines" :key="machine">
        <h3>{{ jobs[0]!.machineLabel }}</h3>
        <DueJobs :jobs="jobs" />
      </template>
    </section>
  </main>
</template>

<style scoped>
.page { max-width: 860px; margin: 0 auto; padding: 16px 20px 40px; outline: none; }
header { display: flex; flex-wrap: wrap; align-items: center; gap: 20px; margin-bottom: 14px; }
.home { display: flex; align-items: center; gap: 7px; color: var(--ink); text-decoration: none; font-weight: 500; }
.home img { width: 28px; height: 28px; }
h1 { font-size: 26px; flex: 1; }
section { margin-bottom: 24px; }
.late { color: var(--coral-deep); }
h3 { font-size: 16px; margin: 10px 0 4px; color: var(--ink-mid); }
</style>
