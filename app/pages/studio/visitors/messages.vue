<script setup lang="ts">
import { counted } from '#core/text'
import type { MessagesAnswer, StoredMessage } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** What visitors sent by forms: the newest first, the chosen one beside them. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Messages' })

const notices = useNotices()
const site = useSite()
const state = ref<'' | StoredMessage['state']>('')
const form = ref('')
const words = ref('')
const inHand = ref<number | null>(null)
const STATES = [
  { value: '', label: 'All' },
  { value: 'unread', label: 'Unread' },
  { value: 'read', label: 'Read' },
  { value: 'held', label: 'Held' },
] as const
const { answer, failed, asked, open } = useToldList<MessagesAnswer>('/visitors/messages', 'messages', {
  state,
  form,
  words,
})

const messages = computed(() => answer.value?.messages ?? [])
const chosen = computed(() => messages.value.find((m) => m.id === inHand.value) ?? null)
const forms = computed(() => [...new Set((answer.value?.counts ?? []).map((c) => c.form))].sort())
const countOf = (which: string) =>
  (answer.value?.counts ?? [])
    .filter((c) => (!which || c.state === which) && (!form.value || c.form === form.value))
    .reduce((n, c) => n + c.count, 0)
const states = computed(() => STATES.map((s) => ({ ...s, label: `${s.label} ${countOf(s.value)}` })))
/** Whether anything was ever sent; where nothing was, there is nothing to choose among. */
const any = computed(() => (answer.value?.counts ?? []).length > 0)
const total = computed(() => (answer.value?.days ?? []).reduce((n, d) => n + d.count, 0))
const times = useTimes()
const firstWords = ({ message }: StoredMessage) =>
  message.answers.map((a) => a.says.join(', ')).join(' · ') || 'nothing answered'
const pageOf = ({ message }: StoredMessage) => site.catalogue?.page(message.page)

function put(id: number, values: Partial<StoredMessage>) {
  const told = answer.value!
  answer.value = { ...told, messages: told.messages.map((m) => (m.id === id ? { ...m, ...values } : m)) }
}
async function set(id: number, values: { state?: 'read' | 'unread'; note?: string }) {
  if (await notices.attempt(() => useApi('PUT', `/visitors/messages/${id}`, values))) put(id, values)
}
/** Whoever looks at one has read it. */
function take(message: StoredMessage) {
  inHand.value = message.id
  if (message.state === 'unread') void set(message.id, { state: 'read' }).then(recount)
}
async function recount() {
  const told = await notices.attempt(() => useApi<MessagesAnswer>('GET', `/visitors/messages?${asked.value}`))
  if (told && answer.value) answer.value = { ...answer.value, counts: told.counts, days: told.days }
}
const removing = ref(false)
watch(inHand, () => (removing.value = false))
async function remove(id: number) {
  if (!(await notices.attempt(() => useApi('POST', '/visitors/messages/removed', { ids: [id] })))) return
  inHand.value = null
  notices.say('The message is gone for good.')
  await open()
}
</script>

<template>
  <RoomState :failed="failed" :ready="answer !== null" what="the messages" @again="open()">
    <div v-if="answer" class="grid h-full grid-cols-[minmax(0,1fr)_380px] max-lg:grid-cols-1 max-lg:overflow-y-auto">
      <div class="overflow-y-auto px-6 py-5 max-lg:overflow-visible">
        <div class="mb-3 flex flex-wrap items-baseline gap-3">
          <h1 class="made mr-auto text-xl">Messages</h1>
          <a v-if="any" class="btn btn-small" :href="`/api/visitors/messages/table?${asked}`" download>As a table</a>
        </div>
        <DaysChart
          v-if="any"
          class="mb-4 border bg-sheet p-3"
          :days="answer.days.map((d) => d.day)"
          :kinds="[{ label: 'Messages', colour: 'ink', counts: answer.days.map((d) => d.count) }]"
          :says="`${counted(total, 'message')} in ${answer.days.length} days.`"
        />
        <div v-if="any" class="mb-2 flex flex-wrap items-center gap-2">
          <ToggleRow label="Which" :options="states" :value="state" @pick="state = $event" />
          <select v-if="forms.length > 1" v-model="form" class="input w-auto!" aria-label="Of which form">
            <option value="">every form</option>
            <option v-for="name in forms" :key="name" :value="name">{{ name }}</option>
          </select>
          <input v-model="words" type="search" class="input w-56!" placeholder="Find words" aria-label="Find words" />
        </div>
        <p v-if="messages.length === 0" class="border-y py-4 text-soft">
          {{
            asked.size
              ? 'No message is like that.'
              : 'Nobody has sent anything yet. Put a form into a layout, and what visitors send stands here.'
          }}
        </p>
        <ul v-else class="border-t bg-sheet" aria-label="Messages">
          <li v-for="m in messages" :key="m.id" class="border-b">
            <button
              type="button"
              class="grid w-full grid-cols-[10px_minmax(0,1fr)_auto] items-baseline gap-x-2 px-3 py-1.5 text-start hover:bg-raised"
              :class="inHand === m.id && 'cornered bg-wash'"
              :aria-pressed="inHand === m.id"
              @click="take(m)"
            >
              <span :title="m.state" :class="m.state === 'unread' ? 'text-spot-deep' : 'text-transparent'">■</span>
              <span class="truncate" :class="m.state === 'unread' && 'font-semibold'">{{ firstWords(m) }}</span>
              <span class="text-2xs text-soft">{{ times.write(m.at) }}</span>
              <span />
              <span class="col-span-2 truncate text-xs text-soft"
                >{{ m.message.form }}, on {{ m.message.title }}{{ m.state === 'held' ? ', held' : ''
                }}{{ m.note ? ', noted' : '' }}</span
              >
            </button>
          </li>
        </ul>
        <button v-if="answer.more" type="button" class="btn mt-3" @click="open(messages.at(-1)!.id)">
          Show earlier ones
        </button>
      </div>
      <aside
        class="overflow-y-auto border-l bg-sheet p-4 max-lg:border-l-0 max-lg:border-t"
        aria-label="The chosen message"
      >
        <template v-if="chosen">
          <h2 class="made text-lg">{{ chosen.message.form }}</h2>
          <p class="mb-3 text-xs text-soft">
            {{ times.write(chosen.at) }}, from
            <a v-if="pageOf(chosen)?.address" class="underline" :href="pageOf(chosen)!.address">{{
              chosen.message.title
            }}</a>
            <template v-else>{{ chosen.message.title }}</template>
          </p>
          <p v-if="chosen.state === 'held'" class="mb-3 bg-wash p-2.5 text-xs" role="status">
            Held: it names many links, filled what people do not see, or came with many others.
          </p>
          <dl class="mb-4">
            <template v-for="(a, i) in chosen.message.answers" :key="i">
              <dt class="border-t pt-1.5 text-xs text-soft">{{ a.label || a.key }}</dt>
              <dd class="whitespace-pre-wrap pb-1.5 [overflow-wrap:anywhere]">
                <a v-if="a.kind === 'mail'" class="underline" :href="`mailto:${a.says[0]}`">{{ a.says[0] }}</a>
                <template v-else-if="a.files">
                  <a
                    v-for="f in a.files"
                    :key="f.hash"
                    class="block underline"
                    :href="`/api/visitors/messages/${chosen.id}/files/${f.hash}`"
                    download
                    >{{ f.name }}</a
                  >
                </template>
                <template v-else>{{ a.says.join(', ') }}</template>
              </dd>
            </template>
          </dl>
          <label class="block">
            <span class="text-xs text-soft">A note for those who work here</span>
            <textarea
              class="input mt-1 h-auto! min-h-16 py-1.5"
              maxlength="4000"
              :value="chosen.note"
              @change="set(chosen.id, { note: ($event.target as HTMLTextAreaElement).value })"
            />
          </label>
          <div class="mt-3 flex flex-wrap gap-2">
            <button
              type="button"
              class="btn btn-small"
              @click="set(chosen.id, { state: chosen.state === 'read' ? 'unread' : 'read' }).then(recount)"
            >
              {{
                chosen.state === 'read'
                  ? 'Mark as unread'
                  : chosen.state === 'held'
                    ? 'It is a message'
                    : 'Mark as read'
              }}
            </button>
            <button v-if="!removing" type="button" class="btn btn-small" @click="removing = true">Remove…</button>
            <button v-else type="button" class="btn btn-small btn-spot" @click="remove(chosen.id)">
              Remove it for good
            </button>
          </div>
          <p class="mt-3 text-xs text-soft">It is taken away by itself on {{ times.write(chosen.ends) }}.</p>
        </template>
        <p v-else class="text-soft">Choose a message to read it.</p>
      </aside>
    </div>
  </RoomState>
</template>
