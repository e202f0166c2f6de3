<script setup lang="ts">
import { RouterLink } from 'vue-router'
</script>

<template>
  <div class="lost"><h1>There is nothing here</h1><p><RouterLink to="/">Back to the jobs</RouterLink></p></div>
</template>

<style scoped>
.lost { padding: 120px 30px; text-align: center; }
</style>
