<script setup lang="ts">
/** What visitors meet and leave behind. */
const PLACES = [
  { to: '/studio/visitors', label: 'Lost addresses' },
  { to: '/studio/visitors/orders', label: 'Orders' },
  { to: '/studio/visitors/codes', label: 'Discounts' },
  { to: '/studio/visitors/messages', label: 'Messages' },
  { to: '/studio/visitors/newsletters', label: 'Newsletters' },
  { to: '/studio/visitors/mail', label: 'Mail' },
  { to: '/studio/visitors/searches', label: 'Searches' },
  { to: '/studio/visitors/redirects', label: 'Redirects' },
]
</script>

<template>
  <NuxtLayout name="studio">
    <div class="flex h-full flex-col">
      <RoomTabs label="Visitors" :places="PLACES" exact />
      <div class="min-h-0 flex-1"><slot /></div>
    </div>
  </NuxtLayout>
</template>
