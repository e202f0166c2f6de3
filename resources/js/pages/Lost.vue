<script setup lang="ts">
import { RouterLink } from 'vue-router'
</script>

<template>
  <main id="work" class="lost"><h1>There is nothing here</h1><p><RouterLink to="/">Back to the jobs</RouterLink></p></main>
</template>

<style scoped>
.lost { padding: 120px 30px; text-align: center; }
</style>
