<script setup lang="ts">
import { count } from '@/units'
import { useCompany } from '@/stores/company'
import { t } from '@/words/words'
import { ElButton } from 'element-plus'
import { computed } from 'vue'

/** Who else is on this bench, and whether they changed something. */
const company = useCompany()
const says = computed(() => company.others.map((one) => (one.held.length > 0 ? t('{name} holds {pieces}', { name: one.name, pieces: count(one.held.length, 'piece') }) : one.name)).join(', '))
</script>

<template>
  <span v-if="company.others.length > 0" class="company" data-test="company" :title="$t('Also here: {says}', { says })">{{ $t('Also here: {says}', { says }) }}</span>
  <ElButton v-if="company.newer" size="small" type="primary" data-test="newer-state" @click="company.look()">Show what others changed</ElButton>
</template>

<style scoped>
.company { min-width: 0; max-width: 260px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; font-size: 15px; padding-left: 9px; border-left: 3px dotted var(--coral); }
</style>
