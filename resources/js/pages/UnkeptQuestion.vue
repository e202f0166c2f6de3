<script setup lang="ts">
import { useUnkept } from '@/stores/unkept'
import { ElButton, ElDialog } from 'element-plus'

const unkept = useUnkept()
</script>

<template>
  <ElDialog :model-value="unkept.held !== null" title="Not kept yet" width="460" append-to="#over" @close="unkept.stay()">
    <div data-test="unkept" @keydown.stop>
      <p>{{ unkept.pending?.says }}</p>
      <div class="acts">
        <ElButton data-test="unkept-stay" @click="unkept.stay()">Stay here</ElButton>
        <ElButton data-test="unkept-leave" @click="unkept.go('leave')">Go on without</ElButton>
        <ElButton type="primary" data-test="unkept-keep" @click="unkept.go('keep')">Keep it, and go on</ElButton>
      </div>
    </div>
  </ElDialog>
</template>

<style scoped>
p { margin: 0 0 16px; line-height: 1.35; }
.acts { display: flex; justify-content: flex-end; }
</style>
