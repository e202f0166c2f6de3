<script setup lang="ts">
import { api, words } from '@/api/client'
import type { Backups } from '@/api/types'
import { moment, number, t } from '@/words/words'
import { computed, onMounted, ref } from 'vue'

/** How old the last backup is, for the owner. */
const backups = ref<Backups | null>(null)
const problem = ref('')
onMounted(async () => {
  try {
    backups.value = await api.get<Backups>('backups')
  } catch (refused) {
    problem.value = words(refused)
  }
})
const last = computed(() => backups.value?.kept[0] ?? null)
const hours = computed(() => (last.value ? Math.round((Date.now() - Date.parse(last.value.at)) / 3_600_000) : 0))
const says = computed(() => (last.value ? t('Last backup: {when}, {hours, plural, =0 {less than an hour} one {# hour} other {# hours}} old, {size} MB; {count} are kept.', { when: moment(last.value.at), hours: hours.value, size: number(last.value.bytes / 1_000_000, 1), count: backups.value!.kept.length }) : ''))
</script>

<template>
  <div class="backups" data-test="backups">
    <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
    <p v-if="backups?.failed" class="trouble" role="alert" data-test="backup-failed">{{ $t('The backup of {when} failed; what stands in the way is in the log.', { when: moment(backups.failed) }) }}</p>
    <p v-if="last" :class="hours > 48 ? 'trouble' : 'quiet'">{{ says }}</p>
    <p v-else-if="backups" class="quiet">There is no backup yet; one is made every night while the shop is open (docs/running.md).</p>
  </div>
</template>
