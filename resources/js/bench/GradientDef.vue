<script setup lang="ts">
import type { GradientPaint } from '@/api/types'

defineProps<{ id: string; gradient: GradientPaint }>()
</script>

<template>
  <linearGradient
    v-if="gradient.kind === 'linear'"
    :id="id"
    gradientUnits="userSpaceOnUse"
    :x1="gradient.axis[0]"
    :y1="gradient.axis[1]"
    :x2="gradient.axis[2]"
    :y2="gradient.axis[3]"
    :spreadMethod="gradient.spread"
    :gradientTransform="gradient.transform"
  >
    <stop v-for="(stop, i) in gradient.stops" :key="i" :offset="stop.at" :stop-color="stop.colour" :stop-opacity="stop.opacity" />
  </linearGradient>
  <radialGradient
    v-else
    :id="id"
    gradientUnits="userSpaceOnUse"
    :cx="gradient.axis[0]"
    :cy="gradient.axis[1]"
    :r="gradient.axis[2]"
    :fx="gradient.axis[3]"
    :fy="gradient.axis[4]"
    :fr="gradient.axis[5]"
    :spreadMethod="gradient.spread"
    :gradientTransform="gradient.transform"
  >
    <stop v-for="(stop, i) in gradient.stops" :key="i" :offset="stop.at" :stop-color="stop.colour" :stop-opacity="stop.opacity" />
  </radialGradient>
</template>
