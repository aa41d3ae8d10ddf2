<script setup lang="ts">
defineEmits<{ close: [] }>()
</script>

<template>
  <ModalSheet title="Keys of the bench" @close="$emit('close')">
    <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
      <template v-for="key in BENCH_KEYS" :key="key.does">
        <dt class="flex gap-1">
          <span v-for="k in key.keys" :key="k" class="kbd">{{ k }}</span>
        </dt>
        <dd>{{ key.does }}</dd>
      </template>
    </dl>
    <template #actions><button type="button" class="btn" @click="$emit('close')">Close</button></template>
  </ModalSheet>
</template>
