<script setup lang="ts">
import { Formats, sceneOf } from '#core/drawing'
import { KINDS, ROLES, descriptionOf, fieldsFor, pictureOfPage, sharedPicture, titleOf, toldAs } from '#core/machines'
import { type PageType, type Tells, type ToldAs, TOLD_AS, TOLD_ROLES, type ToldRole } from '#core/model'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** What entries of a page type are told as to programs, from which fields, and how that looks where pages are found and shared. */
const props = defineProps<{ type: PageType }>()

const session = useSession()
const site = useSite()
const { setType } = useStructureEdits()
const as = computed(() => toldAs(props.type))
const roles = computed(() => {
  const { catalogue } = site
  if (!catalogue) return []
  return TOLD_ROLES.filter((role) => ROLES[role].of?.includes(as.value) ?? true)
    .map((role) => ({ role, label: ROLES[role].label, fields: fieldsFor(role, props.type, catalogue) }))
    .filter(({ role, fields }) => fields.length > 0 || props.type.tells?.from?.[role])
})

function tell(tells: Tells) {
  const from = Object.fromEntries(Object.entries(tells.from ?? {}).filter(([, id]) => id !== undefined))
  const next = { ...(tells.as && { as: tells.as }), ...(Object.keys(from).length > 0 && { from }) }
  setType(props.type, 'tells', Object.keys(next).length > 0 ? next : undefined)
}
const tellAs = (kind: string) => tell({ ...props.type.tells, as: (kind || undefined) as ToldAs | undefined })
const tellFrom = (role: ToldRole, field: string) =>
  tell({ ...props.type.tells, from: { ...props.type.tells?.from, [role]: field || undefined } })

/** An entry of the type as it would be found and shared: the newest that says most. */
const shown = computed(() => {
  const { catalogue } = site
  if (!catalogue) return null
  const entries = catalogue.entriesOfType(props.type.id)
  const entry = entries.find((e) => e.summary && e.picture) ?? entries[0]
  const page = entry && catalogue.page(`entry:${entry.id}`)
  if (!page) return null
  const scene = sceneOf(catalogue, new Formats(catalogue.site.settings), page)
  if (scene.subject.kind !== 'entry') return null
  // As it is said here, which is told before the site is read again.
  const told = { ...scene, subject: { ...scene.subject, type: props.type } }
  const picture = pictureOfPage(told)
  return {
    title: titleOf(told),
    description: descriptionOf(told),
    address: catalogue.site.settings.origin.replace(/^https?:\/\//, '') + page.address,
    site: catalogue.site.settings.name,
    picture: sharedPicture(picture),
    drawing: picture !== undefined && sharedPicture(picture) === null,
    // Leads to the latest.
    card: `/_of/shared/latest/${encodeURIComponent(page.key)}.png`,
  }
})
const said = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <section class="mt-6 border-t pt-4" aria-label="Told to programs">
    <h3 class="font-semibold">Told to programs</h3>
    <p class="mb-2 text-xs text-soft">What search engines, and where pages are shared, are told of each entry.</p>
    <fieldset class="space-y-1.5" :disabled="!session.mayDesign">
      <label class="block text-xs"
        >It is
        <select class="input mt-0.5" aria-label="It is" :value="type.tells?.as ?? ''" @change="tellAs(said($event))">
          <option value="">as its fields suggest: {{ KINDS[as].label.toLowerCase() }}</option>
          <option v-for="kind in TOLD_AS" :key="kind" :value="kind">{{ KINDS[kind].label }}</option>
        </select>
      </label>
      <LabelledRow v-for="{ role, label, fields } in roles" :key="role" :label="label">
        <select
          class="input"
          :aria-label="label"
          :value="type.tells?.from?.[role] ?? ''"
          @change="tellFrom(role, said($event))"
        >
          <option value="">as usual</option>
          <option v-for="f in fields" :key="f.id" :value="f.id">{{ f.label }}</option>
        </select>
      </LabelledRow>
    </fieldset>
    <div v-if="shown" class="mt-3 space-y-3">
      <figure>
        <figcaption class="mb-1 text-xs text-soft">Found by a search</figcaption>
        <div class="border bg-raised p-2.5" aria-label="As a search result">
          <p class="truncate font-mono text-2xs text-soft">{{ shown.address }}</p>
          <p class="made mt-0.5 text-base leading-snug underline">{{ shown.title }}</p>
          <p class="mt-0.5 text-xs">{{ shown.description }}</p>
        </div>
      </figure>
      <figure>
        <figcaption class="mb-1 text-xs text-soft">Shared as a link</figcaption>
        <div class="border bg-raised" aria-label="As a shared link">
          <img v-if="shown.picture" :src="shown.picture" alt="" class="aspect-[1.91] w-full object-cover" />
          <template v-else>
            <img :src="shown.card" alt="" class="aspect-[1.91] w-full border-b object-cover" />
            <p class="border-b p-2.5 text-xs text-soft">
              {{ shown.drawing ? 'Its picture is a drawing, which few can show' : 'It has no picture' }}: this one is
              drawn, in the colours and the font of the layout that says its title.
            </p>
          </template>
          <div class="p-2.5">
            <p class="text-2xs text-soft">{{ shown.site }}</p>
            <p class="font-semibold">{{ shown.title }}</p>
            <p class="text-xs">{{ shown.description }}</p>
          </div>
        </div>
      </figure>
    </div>
    <p v-else class="mt-2 text-xs text-soft">
      Once there is an entry of this type, it is shown here as it is found and shared.
    </p>
  </section>
</template>
