<script setup lang="ts">
import WorkStrip from '@/works/WorkStrip.vue'
import { RouterView, useRoute } from 'vue-router'

const route = useRoute()
</script>

<template>
  <RouterView />
  <!-- The bench has a place of its own for it. -->
  <WorkStrip v-if="route.name !== 'bench'" />
</template>
