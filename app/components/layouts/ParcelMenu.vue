<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import type { Parcel } from '#core/formats'
import { useNotices } from '~/stores/notices'

/** Layouts, frames and house style on their way to or from another site. */
const notices = useNotices()
const input = ref<HTMLInputElement>()
const parcel = shallowRef<Parcel | null>(null)
const choosing = ref(false)
const MOST = 40_000_000

async function read(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  ;(event.target as HTMLInputElement).value = ''
  if (file.size > MOST) {
    notices.fail(
      new Error(
        `${file.name} is larger than 40 MB. The command outer-frame import-parcel takes larger ones. Nothing was stored.`,
      ),
    )
    return
  }
  try {
    parcel.value = JSON.parse(await file.text()) as Parcel
  } catch {
    notices.fail(new Error(`${file.name} is not readable JSON; it may have been cut off. Nothing was stored.`))
  }
}
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton class="btn">Parcels <span aria-hidden="true">▾</span></MenuButton>
    <MenuItems class="absolute right-0 z-30 mt-px w-64 border border-ink bg-raised py-1">
      <MenuItem v-slot="{ active }">
        <a href="/api/parcel" download class="block px-3 py-1.5" :class="active && 'bg-board'">
          Take the draft away<br /><span class="text-xs text-soft">layouts, frames and house style in one file</span>
        </a>
      </MenuItem>
      <MenuItem v-slot="{ active }">
        <button
          type="button"
          class="block w-full px-3 py-1.5 text-start"
          :class="active && 'bg-board'"
          @click="choosing = true"
        >
          Take some layouts away…<br /><span class="text-xs text-soft">with all that they need</span>
        </button>
      </MenuItem>
      <MenuItem v-slot="{ active }">
        <button
          type="button"
          class="block w-full px-3 py-1.5 text-start"
          :class="active && 'bg-board'"
          @click="input?.click()"
        >
          Bring a parcel in…<br /><span class="text-xs text-soft">says first what it would do</span>
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
  <input
    ref="input"
    type="file"
    accept="application/json,.json"
    class="hidden"
    aria-label="Parcel to bring in"
    @change="read"
  />
  <ParcelOutDialog v-if="choosing" @close="choosing = false" />
  <ParcelDialog v-if="parcel" :parcel="parcel" @close="parcel = null" />
</template>
