<script setup lang="ts">
import type { NuxtError } from '#app'

defineProps<{ error: NuxtError }>()
</script>

<template>
  <main class="grid h-full place-items-center p-6 text-center">
    <div class="max-w-md">
      <h1 class="made mb-2 text-xl">
        {{ error.statusCode === 404 ? 'There is no such place in the studio' : 'Something went wrong here' }}
      </h1>
      <p class="mb-4 text-soft">
        {{
          error.statusCode === 404
            ? 'The address may be mistyped.'
            : 'Your work is kept: every edit was sent as you made it.'
        }}
      </p>
      <button class="btn" type="button" @click="clearError({ redirect: '/studio' })">Open the Map</button>
    </div>
  </main>
</template>
