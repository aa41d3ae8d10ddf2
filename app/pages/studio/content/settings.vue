<script setup lang="ts">
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** What the whole site goes by, and who works here. */
definePageMeta({ layout: 'content' })
useHead({ title: 'Settings' })
const session = useSession()
const site = useSite()
</script>

<template>
  <div class="h-full overflow-y-auto">
    <div class="mx-auto max-w-3xl space-y-10 px-6 py-6">
      <section aria-label="Settings">
        <h1 class="made mb-4 text-xl">Settings</h1>
        <SiteSettings />
      </section>
      <section v-if="session.user?.role === 'owner' && site.site?.settings.shop" aria-label="Selling">
        <h2 class="made mb-3 text-lg">Selling</h2>
        <SellingSettings />
      </section>
      <FloorPlanSetting v-if="session.user?.role === 'owner'" />
      <WhoWorksHere v-if="session.user?.role === 'owner'" />
    </div>
  </div>
</template>
