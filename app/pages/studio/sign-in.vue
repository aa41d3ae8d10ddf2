<script setup lang="ts">
import { useSession } from '~/stores/session'

definePageMeta({ layout: false })
useHead({ title: 'Sign in' })

const session = useSession()
const route = useRoute()
const mail = ref('')
const password = ref('')
const failed = ref('')
const busy = ref(false)
const first = ref<HTMLInputElement>()
onMounted(() => first.value?.focus())

async function signIn() {
  busy.value = true
  failed.value = ''
  try {
    await session.signIn(mail.value, password.value)
    if (session.user?.role === 'member') {
      failed.value = 'You are signed in as a member of the site. The studio is for writers, designers and owners.'
      return
    }
    const then = String(route.query.then ?? '')
    await navigateTo(/^\/studio(\/|$)/.test(then) ? then : '/studio')
  } catch (error) {
    failed.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="grid h-full place-items-center overflow-y-auto p-6">
    <form class="w-full max-w-sm border border-ink bg-sheet" @submit.prevent="signIn">
      <div class="flex items-center gap-3 bg-ink px-6 py-4 text-sheet">
        <StudioMark class="size-6" />
        <div>
          <h1 class="text-base font-semibold leading-tight">{{ session.site || 'Outer Frame' }}</h1>
          <p class="text-xs text-[#c5c3bc]">The studio</p>
        </div>
      </div>
      <div class="space-y-4 p-6">
        <p v-if="!session.secure" class="border border-spot bg-wash p-3" role="alert">
          This address is not https, so the browser will not keep you signed in. Use https, or localhost on the machine
          itself.
        </p>
        <label class="block font-medium">
          Mail address
          <input
            ref="first"
            v-model="mail"
            class="input mt-1 h-9! font-normal"
            type="email"
            name="mail"
            autocomplete="username"
            required
          />
        </label>
        <label class="block font-medium">
          Password
          <input
            v-model="password"
            class="input mt-1 h-9! font-normal"
            type="password"
            name="password"
            autocomplete="current-password"
            required
          />
        </label>
        <p v-if="failed" class="border border-spot bg-wash p-3" role="alert">{{ failed }}</p>
        <button class="btn btn-spot h-9! w-full justify-center" :disabled="busy">Sign in</button>
      </div>
    </form>
  </main>
</template>
