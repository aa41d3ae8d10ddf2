<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { DEVICES, type Device, type Request } from '#core/conditions'
import { ROLES } from '#core/model'
import { momentIn } from '#core/time'
import { readParameters } from '#core/addresses'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** Who is looking: the Map, Why and impact follow. */
const map = useMap()
const site = useSite()
const query = ref('')
const when = ref('')

function set(part: Partial<Request>) {
  map.request = { ...map.request, ...part }
}
function setRole(role: string) {
  set({ role, signedIn: role !== 'visitor' })
}
function setQuery(text: string) {
  query.value = text
  set({ parameters: readParameters(text.trim().replace(/^\?/, '')) })
}
/** A time as it is on the clocks of the site. */
function setWhen(text: string) {
  when.value = text
  set({ at: momentIn(text, site.catalogue!.site.settings.timeZone) ?? Date.now() })
}
function reset() {
  query.value = ''
  when.value = ''
  map.request = { role: 'visitor', signedIn: false, device: 'desktop', parameters: {}, at: Date.now() }
}
const words = computed(() => {
  const { role, device, parameters } = map.request
  const named = Object.keys(parameters).map((name) => `?${name}`)
  const day = when.value ? when.value.replace('T', ' ') : 'now'
  return [`a ${role}`, `on a ${device}`, ...named, day].join(', ')
})
const asUsual = computed(() => map.visitorIsPlain && !when.value)
</script>

<template>
  <Popover class="relative">
    <PopoverButton class="btn max-w-80" :class="!asUsual && 'border-spot! bg-wash'">
      <span class="truncate">Seen by {{ words }}</span> <span aria-hidden="true">▾</span>
    </PopoverButton>
    <PopoverPanel class="absolute right-0 top-full z-40 mt-px w-72 space-y-2.5 border border-ink bg-raised p-3.5">
      <LabelledRow label="Role">
        <select
          class="input"
          aria-label="Role"
          :value="map.request.role"
          @change="setRole(($event.target as HTMLSelectElement).value)"
        >
          <option v-for="role in ROLES" :key="role" :value="role">{{ role }}</option>
        </select>
      </LabelledRow>
      <LabelledRow label="Device">
        <select
          class="input"
          aria-label="Device"
          :value="map.request.device"
          @change="set({ device: ($event.target as HTMLSelectElement).value as Device })"
        >
          <option v-for="device in DEVICES" :key="device" :value="device">{{ device }}</option>
        </select>
      </LabelledRow>
      <LabelledRow label="Address has">
        <input
          class="input font-mono text-xs"
          :value="query"
          placeholder="?kiosk"
          @change="setQuery(($event.target as HTMLInputElement).value)"
        />
      </LabelledRow>
      <LabelledRow label="At">
        <input
          class="input"
          type="datetime-local"
          :value="when"
          @change="setWhen(($event.target as HTMLInputElement).value)"
        />
      </LabelledRow>
      <div class="flex items-center justify-between border-t pt-2.5">
        <span class="text-2xs text-soft">Times are those of {{ site.catalogue?.site.settings.timeZone }}.</span>
        <button type="button" class="btn btn-small" :disabled="asUsual" @click="reset">Anybody, now</button>
      </div>
    </PopoverPanel>
  </Popover>
</template>
