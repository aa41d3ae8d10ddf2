<script setup lang="ts">
import { USER_ROLES, type Role } from '#core/model'
import { counted } from '#core/text'
import type { UserAnswer, UsersAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** The people who sign in to the studio, and as what; for the owner. */
const session = useSession()
const notices = useNotices()
const users = shallowRef<UserAnswer[] | null>(null)
const failed = ref('')
const adding = ref(false)
const blank = () => ({ name: '', mail: '', role: 'writer' as Role, password: '' })
const added = reactive(blank())
const passwordOf = shallowRef<UserAnswer | null>(null)
const removing = shallowRef<UserAnswer | null>(null)
const password = ref('')
const refused = ref('')
const ABOUT: Record<Role, string> = {
  owner: 'everything, and who works here',
  designer: 'layouts, frames, releases, and all content',
  writer: 'entries and pictures',
  member: 'signs in to the site, not to the studio',
}

async function open() {
  failed.value = ''
  try {
    users.value = (await useApi<UsersAnswer>('GET', '/users')).users
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(open)

/** Does something to somebody; what is refused is said where it was asked. */
async function attempt(work: () => Promise<UsersAnswer>): Promise<boolean> {
  refused.value = ''
  try {
    users.value = (await work()).users
    return true
  } catch (error) {
    if (error instanceof Refusal && error.problem.status < 500) refused.value = error.problem.sentence
    else notices.fail(error)
    return false
  }
}
async function add() {
  if (!(await attempt(() => useApi('POST', '/users', { ...added })))) return
  notices.say(`${added.name} can sign in now.`)
  Object.assign(added, blank())
  adding.value = false
}
const setRole = (user: UserAnswer, role: string) =>
  attempt(() => useApi<UsersAnswer>('PUT', `/users/${user.id}`, { role })).then(() => void open())
async function setPassword() {
  const user = passwordOf.value!
  if (!(await attempt(() => useApi('PUT', `/users/${user.id}`, { password: password.value })))) return
  notices.say(`${user.name} has a new password, and is signed out everywhere.`)
  passwordOf.value = null
  password.value = ''
}
async function endSessions(user: UserAnswer) {
  if (await attempt(() => useApi('DELETE', `/users/${user.id}/sessions`)))
    notices.say(`${user.name} is signed out everywhere.`)
}
async function remove() {
  const user = removing.value!
  removing.value = null
  if (await attempt(() => useApi('DELETE', `/users/${user.id}`))) notices.say(`${user.name} works here no more.`)
}
</script>

<template>
  <section aria-label="People who work here">
    <div class="mb-3 flex items-baseline gap-3">
      <h2 class="made mr-auto text-lg">People who work here</h2>
      <button type="button" class="btn" @click="adding = !adding">{{ adding ? 'Not now' : 'Add somebody' }}</button>
    </div>
    <p v-if="failed" role="alert">
      {{ failed }} <button type="button" class="underline" @click="open">Try again</button>
    </p>
    <p v-if="refused && !passwordOf" class="mb-3 border border-edge bg-wash p-2" role="alert">{{ refused }}</p>
    <form v-if="adding" class="mb-4 grid gap-3 border border-edge bg-sheet p-3 sm:grid-cols-2" @submit.prevent="add">
      <label class="block font-medium"
        >Name<input v-model="added.name" class="input mt-1 font-normal" maxlength="120" required
      /></label>
      <label class="block font-medium"
        >Mail address<input v-model="added.mail" type="email" class="input mt-1 font-normal" maxlength="200" required
      /></label>
      <label class="block font-medium"
        >Role
        <select v-model="added.role" class="input mt-1 font-normal">
          <option v-for="r in USER_ROLES" :key="r" :value="r">{{ r }}: {{ ABOUT[r] }}</option>
        </select>
      </label>
      <label class="block font-medium"
        >Password, of at least 12 characters<input
          v-model="added.password"
          class="input mt-1 font-mono text-xs font-normal"
          minlength="12"
          maxlength="500"
          autocomplete="off"
          required
      /></label>
      <button class="btn btn-spot justify-self-start">Add</button>
    </form>
    <ul v-if="users" class="border-t bg-sheet">
      <li
        v-for="u in users"
        :key="u.id"
        class="grid items-center gap-x-4 gap-y-1 border-b px-3 py-2 sm:grid-cols-[1fr_130px_auto]"
      >
        <span class="min-w-0"
          ><span class="font-medium">{{ u.name }}</span
          ><span v-if="u.id === session.user?.id" class="text-soft"> (you)</span>
          <span class="block truncate text-xs text-soft"
            >{{ u.mail }}{{ u.sessions ? `, signed in in ${counted(u.sessions, 'place')}` : '' }}</span
          ></span
        >
        <select
          class="input"
          :aria-label="`Role of ${u.name}`"
          :value="u.role"
          @change="setRole(u, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="r in USER_ROLES" :key="r">{{ r }}</option>
        </select>
        <span class="flex gap-1">
          <button
            type="button"
            class="btn btn-small"
            :aria-label="`New password for ${u.name}`"
            @click="passwordOf = u"
          >
            Password…
          </button>
          <button
            type="button"
            class="btn btn-small"
            :disabled="!u.sessions"
            :aria-label="`Sign ${u.name} out`"
            @click="endSessions(u)"
          >
            Sign out
          </button>
          <button
            type="button"
            class="btn btn-small"
            :disabled="u.id === session.user?.id"
            :aria-label="`Remove ${u.name}`"
            @click="removing = u"
          >
            Remove…
          </button>
        </span>
      </li>
    </ul>
    <ModalSheet v-if="passwordOf" :title="`New password for ${passwordOf.name}`" @close="passwordOf = null">
      <form id="new-password-of" @submit.prevent="setPassword">
        <label class="block font-medium"
          >Of at least 12 characters<input
            v-model="password"
            class="input mt-1 font-mono text-xs font-normal"
            minlength="12"
            maxlength="500"
            autocomplete="off"
            required
        /></label>
        <p class="mt-2 text-soft">It ends every session that {{ passwordOf.name }} has.</p>
        <p v-if="refused" class="mt-2 bg-wash p-2" role="alert">{{ refused }}</p>
      </form>
      <template #actions>
        <button type="button" class="btn" @click="passwordOf = null">Keep the old one</button>
        <button type="submit" form="new-password-of" class="btn btn-spot">Change it</button>
      </template>
    </ModalSheet>
    <ModalSheet v-if="removing" :title="`Remove ${removing.name}?`" @close="removing = null">
      <p>They cannot sign in any more. What they made stays, under their name.</p>
      <template #actions>
        <button type="button" class="btn" @click="removing = null">Keep them</button>
        <button type="button" class="btn btn-spot" @click="remove">Remove</button>
      </template>
    </ModalSheet>
  </section>
</template>
