<script setup lang="ts">
import { type NearMiss, nearWords } from '#core/rules'
import { useMap } from '~/stores/map'

defineProps<{ near: NearMiss[] }>()
const map = useMap()
</script>

<template>
  <section class="mt-2 border-t pt-2 text-xs">
    <h3 class="text-soft">Nearly</h3>
    <ul v-if="map.names">
      <li v-for="n in near" :key="n.frame.id" class="mt-1">
        <span class="font-medium">{{ map.labelOf(n.frame.id) }}</span>
        <span class="text-soft">: {{ nearWords(n, map.names) }}</span>
      </li>
    </ul>
  </section>
</template>
