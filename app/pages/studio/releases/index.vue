<script setup lang="ts">
import { counted, nounFor } from '#core/text'
import { useDesign } from '~/stores/design'
import type { BringBack, ReleaseNote } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

definePageMeta({ layout: 'studio' })
useHead({ title: 'Releases' })

const design = useDesign()
const notices = useNotices()
const session = useSession()
const times = useTimes()
onMounted(() => notices.attempt(design.loadReleases))

const busy = ref(false)
/** The release that would be undone: it is asked first, since it acts on the live site. */
const undoing = ref<ReleaseNote | null>(null)
/** Visitors see the release before again at once; the draft stays as it is. */
async function takeBack({ number }: ReleaseNote) {
  undoing.value = null
  busy.value = true
  const done = await notices.attempt(design.takeBackRelease)
  busy.value = false
  if (done) notices.say(`Release ${number} is undone: visitors see the one before it again. The draft is as it was.`)
}

const bringing = ref<ReleaseNote | null>(null)
/** Whether visitors see at once what is brought back. */
const atOnce = ref(false)
async function bringBack(what: BringBack) {
  const { number } = bringing.value!
  bringing.value = null
  const changes = await notices.attempt(() => design.bringBack(number, what, atOnce.value))
  if (!changes) return
  const n = changes.length
  if (atOnce.value) return notices.say(`Visitors see it as in release ${number} again.`)
  notices.say(
    n === 0
      ? 'The draft stands so already.'
      : `${counted(n, 'thing')} in the draft ${nounFor(n, 'is', 'are')} as in release ${number} again. Visitors see it with the next release.`,
  )
}
/** Layouts and frames that a release touched, to be brought back one by one. */
const oneByOne = (release: ReleaseNote) => release.changes.filter((c) => c.what !== 'house' && c.how !== 'removed')
</script>

<template>
  <div class="h-full overflow-y-auto">
    <div class="mx-auto grid max-w-5xl gap-x-12 gap-y-8 px-6 py-8 lg:grid-cols-2">
      <section>
        <h1 class="made mb-1 text-xl">Waiting for release</h1>
        <p class="mb-3 flex flex-wrap items-baseline justify-between gap-x-4 text-soft">
          The draft differs from what visitors see in these things.
          <NuxtLink
            v-if="design.waiting.length && design.releases[0]"
            class="text-ink underline"
            :to="`/studio/releases/compare?before=${design.releases[0].number}&after=draft`"
            >See every page that changes</NuxtLink
          >
        </p>
        <ChangeList v-if="design.waiting.length" :changes="design.waiting" />
        <p v-else class="border-y py-3">Nothing. Visitors see exactly what stands in the studio.</p>
        <DraftLinks v-if="session.mayDesign" class="mt-8" />
      </section>
      <section>
        <PlanList />
        <h2 class="made mb-1 text-xl">Released</h2>
        <p class="mb-3 text-soft">Every release stays as it was.</p>
        <ol v-if="design.releases.length" class="border-t">
          <li v-for="(release, i) in design.releases" :key="release.number" class="border-b py-3">
            <p class="flex items-baseline justify-between gap-4">
              <span class="made text-base"
                >Release {{ release.number }}<template v-if="release.note">: {{ release.note }}</template></span
              >
              <button
                v-if="session.mayDesign"
                type="button"
                class="btn btn-small shrink-0"
                :aria-label="`Bring back release ${release.number}`"
                @click="bringing = release"
              >
                Bring back…
              </button>
            </p>
            <p class="text-xs text-soft">{{ times.write(release.at, 'longMoment') }}, {{ release.by }}</p>
            <p class="mt-1 flex flex-wrap gap-x-4 text-xs">
              <NuxtLink
                v-if="i + 1 < design.releases.length"
                class="underline"
                :to="`/studio/releases/compare?before=${design.releases[i + 1]!.number}&after=${release.number}`"
                >Compare with the one before</NuxtLink
              >
              <NuxtLink class="underline" :to="`/studio/releases/compare?before=${release.number}&after=draft`"
                >Compare with the draft</NuxtLink
              >
              <button
                v-if="i === 0 && design.releases.length > 1 && session.mayDesign"
                type="button"
                class="underline"
                :disabled="busy"
                @click="undoing = release"
              >
                Undo release {{ release.number }}…
              </button>
            </p>
            <details class="mt-1">
              <summary class="text-soft">
                {{ counted(release.changes.length, 'change')
                }}<template v-if="release.pages !== null">, {{ counted(release.pages, 'page') }}</template>
              </summary>
              <ChangeList class="mt-2" :changes="release.changes" />
            </details>
          </li>
        </ol>
        <p v-else class="border-y py-3">
          Nothing has been released yet. Visitors see every page in its plain body, without header and footer.
        </p>
      </section>
    </div>
    <ModalSheet v-if="undoing" :title="`Undo release ${undoing.number}?`" @close="undoing = null">
      <p>
        Visitors see release {{ undoing.number - 1 }} again at once{{
          undoing.pages === null ? '' : `: ${counted(undoing.pages, 'page')} look as they did before`
        }}. The draft stays as it is, so you can release it again.
      </p>
      <template #actions>
        <button type="button" class="btn" @click="undoing = null">Cancel</button>
        <button type="button" class="btn btn-spot" @click="takeBack(undoing)">Undo release {{ undoing.number }}</button>
      </template>
    </ModalSheet>
    <ModalSheet v-if="bringing" :title="`Bring back release ${bringing.number}`" @close="bringing = null">
      <p class="mb-3">
        The draft is put back to what was released then. Layouts are changed by edits that can be undone; what was made
        since waits under Removed.
      </p>
      <fieldset class="mb-3">
        <legend class="mb-1">Visitors see it</legend>
        <label class="mr-4 inline-flex items-baseline gap-1.5">
          <input v-model="atOnce" type="radio" class="accent-ink" name="seen" :value="false" /> with the next release
        </label>
        <label class="inline-flex items-baseline gap-1.5">
          <input v-model="atOnce" type="radio" class="accent-ink" name="seen" :value="true" /> at once
        </label>
      </fieldset>
      <button type="button" class="btn btn-spot" @click="bringBack({ kind: 'all' })">
        Bring back all of release {{ bringing.number }}
      </button>
      <template v-if="oneByOne(bringing).length">
        <p class="mb-1 mt-5 text-soft">Or one thing that this release changed:</p>
        <ul class="border-t">
          <li v-for="c in oneByOne(bringing)" :key="c.what + c.id" class="flex items-baseline gap-3 border-b py-1.5">
            <span class="w-14 shrink-0 text-soft">{{ c.what }}</span>
            <span class="made min-w-0 flex-1 break-words text-base leading-snug">{{ c.name }}</span>
            <button
              type="button"
              class="btn btn-small"
              :aria-label="`Bring back ${c.name}`"
              @click="bringBack({ kind: c.what as 'layout' | 'frame', id: c.id })"
            >
              Bring back
            </button>
          </li>
        </ul>
      </template>
      <template #actions><button type="button" class="btn" @click="bringing = null">Leave the draft</button></template>
    </ModalSheet>
  </div>
</template>
