<script setup lang="ts">
import { MAIL_SECURITIES, type MailServer } from '#core/forms'
import type { MailWay } from '#shared/api/types'

/** By which server mail leaves: tried, and set. Its password is never shown again. */
const props = defineProps<{ way: MailWay }>()
const emit = defineEmits<{ set: [way: MailWay]; close: [] }>()
const { refused, attempt } = useInPlace()

const PORTS: Record<MailServer['security'], number> = { tls: 465, starttls: 587, none: 25 }
const SECURITIES: Record<MailServer['security'], string> = {
  tls: 'TLS from the first byte on',
  starttls: 'STARTTLS, once both have greeted',
  none: 'none',
}
const blank: MailServer = { format: 1, host: '', port: 465, security: 'tls', user: '', from: '', name: '' }
const server = reactive<MailServer>(props.way.kind === 'set' ? { ...props.way.server } : blank)
const kept = computed(() => props.way.kind === 'set' && props.way.password && !props.way.spoilt)
const password = ref<string | null>(kept.value ? null : '')
const said = ref('')
const busy = ref(false)
const input = computed(() => ({ server, ...(password.value !== null && { password: password.value }) }))

async function ask<T>(work: () => Promise<T>): Promise<T | undefined> {
  busy.value = true
  said.value = ''
  const told = await attempt(work)
  busy.value = false
  return told
}
async function test() {
  const told = await ask(() => useApi<{ to: string; why: string }>('POST', '/visitors/mail/test', input.value))
  if (told?.why) refused.value = told.why
  else if (told) said.value = `It took a mail to ${told.to}.`
}
async function set(to: object) {
  const told = await ask(() => useApi<{ way: MailWay }>('PUT', '/visitors/mail/server', to))
  if (told) emit('set', told.way)
}
</script>

<template>
  <form class="grid gap-3 border bg-sheet p-4 sm:grid-cols-6" @submit.prevent="set(input)">
    <label class="block font-medium sm:col-span-4"
      >Server<input
        v-model.trim="server.host"
        class="input mt-1 font-normal"
        placeholder="mail.example.org"
        maxlength="253"
        required
    /></label>
    <label class="block font-medium sm:col-span-2"
      >Port<input
        v-model.number="server.port"
        class="input mt-1 font-normal"
        type="number"
        min="1"
        max="65535"
        required
    /></label>
    <label class="block font-medium sm:col-span-6"
      >Encryption
      <select v-model="server.security" class="input mt-1 font-normal" @change="server.port = PORTS[server.security]">
        <option v-for="s in MAIL_SECURITIES" :key="s" :value="s">{{ SECURITIES[s] }}</option>
      </select>
    </label>
    <label class="block font-medium sm:col-span-3"
      >User name<input v-model.trim="server.user" class="input mt-1 font-normal" maxlength="254" autocomplete="off"
    /></label>
    <div class="font-medium sm:col-span-3">
      <span id="mail-password">Password</span>
      <div v-if="password === null" class="mt-1 flex h-7 items-center gap-2 font-normal text-soft">
        it is set
        <button type="button" class="underline" @click="password = ''">Set another</button>
      </div>
      <input
        v-else
        v-model="password"
        class="input mt-1 font-normal"
        type="password"
        maxlength="500"
        autocomplete="new-password"
        aria-labelledby="mail-password"
      />
    </div>
    <label class="block font-medium sm:col-span-3"
      >Address of the sender<input
        v-model.trim="server.from"
        class="input mt-1 font-normal"
        type="email"
        placeholder="post@example.org"
        maxlength="254"
        required
    /></label>
    <label class="block font-medium sm:col-span-3"
      >Name of the sender<input v-model.trim="server.name" class="input mt-1 font-normal" maxlength="120"
    /></label>
    <details v-if="server.security !== 'none'" class="sm:col-span-6" :open="Boolean(server.authority)">
      <summary class="cursor-pointer font-medium">Own authority</summary>
      <label class="mt-1 block text-soft"
        >Certificates of the authority that signs for the server, as PEM, where it is not one that everybody knows
        <textarea
          v-model.trim="server.authority"
          class="input mt-1 h-28 font-mono text-xs"
          spellcheck="false"
          placeholder="-----BEGIN CERTIFICATE-----"
          maxlength="100000"
        ></textarea>
      </label>
    </details>
    <p v-if="refused" class="bg-wash p-2 text-xs sm:col-span-6" role="alert">{{ refused }}</p>
    <p v-else-if="said" class="text-xs sm:col-span-6" role="status">{{ said }}</p>
    <div class="flex flex-wrap gap-2 sm:col-span-6">
      <button class="btn btn-spot" :disabled="busy">Set it</button>
      <button type="button" class="btn" :disabled="busy" @click="test">Try it with a mail to me</button>
      <button v-if="way.kind === 'set'" type="button" class="btn" :disabled="busy" @click="set({ server: null })">
        Set none
      </button>
      <button type="button" class="btn ml-auto" @click="emit('close')">Close</button>
    </div>
  </form>
</template>
