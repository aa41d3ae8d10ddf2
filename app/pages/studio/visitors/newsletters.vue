<script setup lang="ts">
import type { Subscriber, SubscribersAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'

/** Who asked for a newsletter, and who has said yes. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Newsletters' })

const notices = useNotices()
const list = ref('')
const words = ref('')
const leaving = ref<number | null>(null)
const { answer, failed, asked, open } = useToldList<SubscribersAnswer>('/visitors/newsletters', 'subscribers', {
  list,
  words,
})
const lists = computed(() => [...new Set((answer.value?.counts ?? []).map((c) => c.list))])
/** Whether anybody ever asked; where nobody did, there is nothing to choose among. */
const any = computed(() => (answer.value?.counts ?? []).length > 0)
const countOf = (state: string) =>
  (answer.value?.counts ?? [])
    .filter((c) => c.state === state && (!list.value || c.list === list.value))
    .reduce((n, c) => n + c.count, 0)
const times = useTimes()

async function remove({ id, mail }: Subscriber) {
  if (!(await notices.attempt(() => useApi('POST', '/visitors/newsletters/removed', { ids: [id] })))) return
  leaving.value = null
  notices.say(`${mail} is off the list.`)
  await open()
}
</script>

<template>
  <RoomState :failed="failed" :ready="answer !== null" what="the newsletters" @again="open()">
    <div v-if="answer" class="h-full overflow-y-auto">
      <div class="mx-auto max-w-4xl px-6 py-5">
        <div class="mb-1 flex flex-wrap items-baseline gap-3">
          <h1 class="made mr-auto text-xl">Newsletters</h1>
          <a v-if="any" class="btn btn-small" :href="`/api/visitors/newsletters/table?${asked}`" download>As a table</a>
        </div>
        <p v-if="any" class="mb-3 text-soft">
          {{ countOf('in') }} on the list{{ list || lists.length < 2 ? '' : 's' }}, {{ countOf('waiting') }} asked and
          did not say yes yet. Who has not within a week is forgotten.
        </p>
        <div v-if="any" class="mb-2 flex flex-wrap gap-2">
          <select v-if="lists.length > 1" v-model="list" class="input w-auto!" aria-label="Of which list">
            <option value="">every list</option>
            <option v-for="name in lists" :key="name" :value="name">{{ name }}</option>
          </select>
          <input
            v-model="words"
            type="search"
            class="input w-56!"
            placeholder="Find an address"
            aria-label="Find an address"
          />
        </div>
        <p v-if="answer.subscribers.length === 0" class="border-y py-4 text-soft">
          {{
            asked.size
              ? 'Nobody is like that.'
              : 'Nobody has asked yet. Put a Newsletter into a layout, and who asks for it stands here.'
          }}
        </p>
        <ul v-else class="border-t bg-sheet" aria-label="Addresses">
          <li
            v-for="s in answer.subscribers"
            :key="s.id"
            class="grid grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-x-4 border-b px-3 py-1.5"
          >
            <span class="min-w-0">
              <span class="block truncate">{{ s.mail }}</span>
              <span class="block truncate text-xs text-soft">{{ s.list }}</span>
            </span>
            <span class="text-xs text-soft"
              >{{ s.state === 'in' ? 'since' : 'asked' }} {{ times.write(s.at, 'day') }}</span
            >
            <button v-if="leaving !== s.id" type="button" class="btn btn-small" @click="leaving = s.id">
              Take off…
            </button>
            <button v-else type="button" class="btn btn-small btn-spot" @click="remove(s)">Take off the list</button>
          </li>
        </ul>
        <button v-if="answer.more" type="button" class="btn mt-3" @click="open(answer.subscribers.at(-1)!.id)">
          Show earlier ones
        </button>
      </div>
    </div>
  </RoomState>
</template>
