<script setup lang="ts">
import type { DueJob } from '@/api/types'
import { customerSays } from '@/stages/stages'
import { count } from '@/units'
import { region, t } from '@/words/words'
import { RouterLink } from 'vue-router'

/** Jobs with where each stands, and whom it waits for. */
defineProps<{ jobs: DueJob[]; dated?: boolean }>()
const standings = { fresh: t('not prepared'), busy: t('in progress'), broken: t('failed'), stale: t('changed since it was prepared'), open: t('not ready'), ready: t('ready') }
const waits = { customer: t('waits for the customer'), artist: t('waits for an artist'), machine: t('waits for its machine'), shop: '' }
const day = (text: string) => new Date(`${text}T12:00:00`).toLocaleDateString(region, { day: 'numeric', month: 'long' })
</script>

<template>
  <ul>
    <li v-for="job in jobs" :key="job.id" data-test="due-job">
      <span><RouterLink :to="`/jobs/${job.id}`">{{ job.title }}</RouterLink><br><span class="quiet">{{ job.processLabel }}<template v-if="!dated && job.customer">, {{ job.customer }}</template></span></span>
      <span>{{ standings[job.standing] }}<template v-if="job.sheets > 0">, {{ count(job.sheets, 'sheet') }}</template><br><span class="quiet">{{ customerSays(job.customerSays) }}</span></span>
      <span :class="['waits', job.waitsFor]">{{ waits[job.waitsFor] }}<template v-if="dated && job.due"><br><span class="quiet numbers">due {{ day(job.due) }}</span></template></span>
    </li>
  </ul>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr) minmax(0, 1fr); gap: 14px; padding: 8px 0; border-top: 1px solid var(--line); }
a { font-weight: 500; overflow-wrap: anywhere; }
.waits.machine { color: var(--green-deep); font-weight: 500; }
.waits.artist { color: var(--coral-deep); }
@media (max-width: 700px) { li { grid-template-columns: 1fr; gap: 2px; } }
</style>
