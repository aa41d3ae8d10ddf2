<script setup lang="ts">
import type { MailAnswer, MailStanding, MailWay } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** What goes out by mail: by which way, what waits, what was sent, and what could not be and why. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Mail' })

const notices = useNotices()
const session = useSession()
const state = ref<'' | MailStanding['state']>('')
const inHand = ref<number | null>(null)
const setting = ref(false)
const STATES = [
  { value: '', label: 'All' },
  { value: 'waiting', label: 'Waiting' },
  { value: 'sent', label: 'Sent' },
  { value: 'failed', label: 'Not sent' },
  { value: 'held', label: 'Held' },
] as const
const SAYS: Record<MailStanding['state'], string> = {
  waiting: 'waits',
  sent: 'sent',
  failed: 'not sent',
  held: 'held',
}
const { answer, failed, open } = useToldList<MailAnswer>('/visitors/mail', 'mails', { state })

const chosen = computed(() => answer.value?.mails.find((m) => m.id === inHand.value) ?? null)
const total = computed(() => Object.values(answer.value?.counts ?? {}).reduce((n, c) => n + c, 0))
const states = computed(() =>
  STATES.map((s) => ({
    value: s.value,
    label: `${s.label} ${s.value ? (answer.value?.counts[s.value] ?? 0) : total.value}`,
  })),
)
const times = useTimes()

async function act(what: 'again' | 'removed', id: number, says: string) {
  if (!(await notices.attempt(() => useApi('POST', `/visitors/mail/${what}`, { ids: [id] })))) return
  notices.say(says)
  await open()
}
function wayIsSet(way: MailWay) {
  setting.value = false
  answer.value = { ...answer.value!, way }
  notices.say(way.kind === 'set' ? `Mail leaves by ${way.server.host}.` : 'No mail server is set any more.')
  void open()
}
</script>

<template>
  <RoomState :failed="failed" :ready="answer !== null" what="the mail" @again="open()">
    <div v-if="answer" class="grid h-full grid-cols-[minmax(0,1fr)_380px] max-lg:grid-cols-1 max-lg:overflow-y-auto">
      <div class="overflow-y-auto px-6 py-5 max-lg:overflow-visible">
        <h1 class="made mb-3 text-xl">Mail</h1>
        <div class="mb-4 border bg-sheet p-3" :class="answer.way.kind === 'none' && 'bg-wash'">
          <div class="flex flex-wrap items-baseline gap-x-3 gap-y-1">
            <p class="mr-auto min-w-0">
              <template v-if="answer.way.kind === 'set'"
                >Mail leaves by <b>{{ answer.way.server.host }}</b>, from {{ answer.way.server.from }}.
                <span v-if="answer.way.spoilt" role="alert"
                  >Its password cannot be read any more; set it again. Until then all mail waits.</span
                ></template
              >
              <template v-else-if="answer.way.kind === 'stand-in'"
                >Mail goes to the stand-in on this machine, and no further.
                <a class="underline" :href="answer.way.inbox" target="_blank" rel="noopener">Look into its inbox</a>
              </template>
              <template v-else
                ><b>No mail server is set.</b> What is to be sent waits for three days.
                {{ session.user?.role === 'owner' ? '' : 'An owner sets one.' }}</template
              >
            </p>
            <button
              v-if="session.user?.role === 'owner' && !setting"
              type="button"
              class="btn btn-small"
              @click="setting = true"
            >
              {{ answer.way.kind === 'set' ? 'Change…' : 'Set a mail server…' }}
            </button>
          </div>
        </div>
        <MailServerForm v-if="setting" class="mb-4" :way="answer.way" @set="wayIsSet" @close="setting = false" />
        <div class="mb-2 flex flex-wrap gap-2">
          <ToggleRow label="Which" :options="states" :value="state" @pick="state = $event" />
          <button type="button" class="btn btn-small ml-auto" @click="open()">Look again</button>
        </div>
        <p v-if="answer.mails.length === 0" class="border-y py-4 text-soft">
          {{
            state
              ? 'No mail stands so.'
              : 'Nothing was mailed yet. A form says to whom its messages go, and what was mailed stands here.'
          }}
        </p>
        <ul v-else class="border-t bg-sheet" aria-label="Mails">
          <li v-for="m in answer.mails" :key="m.id" class="border-b">
            <button
              type="button"
              class="grid w-full grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-3 px-3 py-1.5 text-start hover:bg-raised"
              :class="inHand === m.id && 'cornered bg-wash'"
              :aria-pressed="inHand === m.id"
              @click="inHand = m.id"
            >
              <span class="truncate">{{ m.mail.subject || 'without a subject' }}</span>
              <span class="text-2xs text-soft">{{ times.write(m.at) }}</span>
              <span class="truncate text-xs text-soft">to {{ m.mail.to }}</span>
              <span class="text-2xs" :class="m.state === 'failed' ? 'font-semibold text-spot-deep' : 'text-soft'">{{
                SAYS[m.state]
              }}</span>
              <span v-if="m.why" class="col-span-2 truncate text-xs">{{ m.why }}</span>
            </button>
          </li>
        </ul>
        <button v-if="answer.more" type="button" class="btn mt-3" @click="open(answer.mails.at(-1)!.id)">
          Show earlier ones
        </button>
      </div>
      <aside
        class="overflow-y-auto border-l bg-sheet p-4 max-lg:border-l-0 max-lg:border-t"
        aria-label="The chosen mail"
      >
        <template v-if="chosen">
          <h2 class="made text-lg [overflow-wrap:anywhere]">{{ chosen.mail.subject || 'without a subject' }}</h2>
          <p class="text-xs text-soft [overflow-wrap:anywhere]">
            to {{ chosen.mail.to
            }}<template v-if="chosen.mail.replyTo">, answers to {{ chosen.mail.replyTo }}</template>
          </p>
          <p class="mb-3 text-xs text-soft">
            <template v-if="chosen.state === 'sent'">Sent {{ times.write(chosen.then) }}.</template>
            <template v-else-if="chosen.state === 'waiting'"
              >Tried {{ chosen.tries }} times, next {{ times.write(chosen.then) }}.</template
            >
            <template v-else-if="chosen.state === 'failed'"
              >Given up {{ times.write(chosen.then) }}, after {{ chosen.tries }} tries.</template
            >
            <template v-else>Held with its message. Say that it is a message, and it is sent.</template>
          </p>
          <p v-if="chosen.why" class="mb-3 bg-wash p-2.5 text-xs [overflow-wrap:anywhere]" role="status">
            {{ chosen.why }}
          </p>
          <pre class="mb-3 whitespace-pre-wrap border-y py-3 font-[inherit] [overflow-wrap:anywhere]">{{
            chosen.mail.text
          }}</pre>
          <p v-if="chosen.mail.files.length" class="mb-3 text-xs text-soft">
            With {{ chosen.mail.files.map((f) => f.name).join(', ') }}.
          </p>
          <div class="flex flex-wrap gap-2">
            <button
              v-if="chosen.state === 'waiting' || chosen.state === 'failed'"
              type="button"
              class="btn btn-small"
              @click="act('again', chosen.id, 'It is tried again at once.')"
            >
              Try again now
            </button>
            <button
              type="button"
              class="btn btn-small"
              @click="
                act(
                  'removed',
                  chosen.id,
                  chosen.state === 'sent' ? 'It is gone from the list.' : 'It will not be sent.',
                )
              "
            >
              {{ chosen.state === 'sent' ? 'Take it from the list' : 'Do not send it' }}
            </button>
          </div>
        </template>
        <p v-else class="text-soft">Choose a mail to read it. What was sent stands here for 30 days.</p>
      </aside>
    </div>
  </RoomState>
</template>
