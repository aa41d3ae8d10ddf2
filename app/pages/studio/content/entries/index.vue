<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { type Entry, entryName, findByWords } from '#core/site'
import { useSite } from '~/stores/site'

definePageMeta({ layout: 'content' })
useHead({ title: 'Entries' })

const site = useSite()
const type = ref('')
const typed = ref('')
const types = computed(() => site.site!.types)
const found = computed(() =>
  findByWords(
    site.site!.entries.filter((e) => !type.value || e.type === type.value),
    typed.value,
    name,
    (e) => e.slug,
  ),
)
const name = (e: Entry) => entryName(e, site.catalogue!.types.get(e.type))
const making = ref(false)
const box = ref<HTMLElement>()
const virtual = useVirtualizer(
  computed(() => ({
    count: found.value.length,
    getScrollElement: () => box.value ?? null,
    estimateSize: () => 34,
    overscan: 10,
  })),
)
</script>

<template>
  <div class="mx-auto flex h-full max-w-5xl flex-col px-6 pt-5">
    <div class="mb-3 flex flex-wrap items-center gap-3">
      <h1 class="made mr-auto text-xl">Entries</h1>
      <select v-model="type" class="input max-w-44" aria-label="Page type">
        <option value="">of every page type</option>
        <option v-for="t in types" :key="t.id" :value="t.id">{{ t.plural }}</option>
      </select>
      <input
        v-model="typed"
        type="search"
        class="input max-w-56"
        placeholder="Find an entry"
        aria-label="Find an entry"
      />
      <button type="button" class="btn btn-spot" @click="making = true">New entry</button>
    </div>
    <p v-if="found.length === 0" class="border-y py-4 text-soft">
      {{ typed.trim() ? 'No entry is called that.' : 'There are no entries here yet.' }}
    </p>
    <div ref="box" class="min-h-0 flex-1 overflow-y-auto border-t bg-sheet" tabindex="0">
      <ul class="relative" :style="{ height: `${virtual.getTotalSize()}px` }">
        <li
          v-for="item in virtual.getVirtualItems()"
          :key="found[item.index]!.id"
          class="absolute inset-x-0 border-b"
          :style="{ transform: `translateY(${item.start}px)`, height: '34px' }"
        >
          <NuxtLink
            :to="`/studio/content/entries/${found[item.index]!.id}`"
            class="grid h-full grid-cols-[1fr_120px_minmax(0,220px)] items-center gap-4 px-3 hover:bg-board"
          >
            <span class="made truncate text-base">{{ name(found[item.index]!) }}</span>
            <span class="truncate text-xs text-soft"
              >{{ site.catalogue!.types.get(found[item.index]!.type)?.name
              }}{{ found[item.index]!.published ? '' : ', not published' }}</span
            >
            <span class="truncate font-mono text-2xs text-soft">{{
              site.catalogue!.addressOf(found[item.index]!.id) ?? ''
            }}</span>
          </NuxtLink>
        </li>
      </ul>
    </div>
    <NewEntryDialog v-if="making" :type="type" @close="making = false" />
  </div>
</template>
