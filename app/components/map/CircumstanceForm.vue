<script setup lang="ts">
import { type Circumstance, type Device, checkFrame, newFrame } from '#core/frames'

/** One circumstance, said in a small form; refused in a sentence while it cannot hold. */
const emit = defineEmits<{ add: [circumstance: Circumstance]; close: [] }>()

const KINDS: { value: Circumstance['kind']; label: string }[] = [
  { value: 'parameter', label: 'the address has …' },
  { value: 'device', label: 'on a device' },
  { value: 'role', label: 'for a role' },
  { value: 'signed-in', label: 'signed in or not' },
  { value: 'date', label: 'at dates' },
]
const kind = ref<Circumstance['kind']>('parameter')
const name = ref('')
const op = ref<'present' | 'is' | 'contains'>('present')
const values = ref('')
const devices = ref<Device[]>([])
const roles = ref<string[]>([])
const yes = ref(true)
const from = ref('')
const until = ref('')
const weekdays = ref<number[]>([])
const refused = ref('')
const DAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']

const listed = (text: string) =>
  text
    .split(',')
    .map((v) => v.trim())
    .filter(Boolean)
const MAKE: Record<Circumstance['kind'], () => Circumstance> = {
  parameter: () => ({
    kind: 'parameter',
    name: name.value.trim().replace(/^\?/, ''),
    op: op.value,
    values: op.value === 'present' ? [] : listed(values.value),
  }),
  device: () => ({ kind: 'device', devices: [...devices.value] }),
  role: () => ({ kind: 'role', roles: [...roles.value] }),
  'signed-in': () => ({ kind: 'signed-in', yes: yes.value }),
  date: () => ({
    kind: 'date',
    from: from.value || null,
    until: until.value || null,
    weekdays: [...weekdays.value].sort(),
  }),
}
const made = computed(() => MAKE[kind.value]())
function add() {
  const [problem] = checkFrame({ ...newFrame('probe', [], 0), onlyWhen: [made.value] })
  refused.value = problem?.sentence ?? ''
  if (!problem) emit('add', made.value)
}
watch(made, () => (refused.value = ''))
</script>

<template>
  <form class="space-y-1.5 border border-edge bg-sheet p-1.5" @submit.prevent="add">
    <select v-model="kind" class="input" aria-label="Kind of circumstance">
      <option v-for="k in KINDS" :key="k.value" :value="k.value">{{ k.label }}</option>
    </select>
    <template v-if="kind === 'parameter'">
      <input v-model="name" class="input font-mono text-xs" placeholder="?kiosk" aria-label="Name of the parameter" />
      <select v-model="op" class="input" aria-label="How it is compared">
        <option value="present">whatever it says</option>
        <option value="is">is</option>
        <option value="contains">contains</option>
      </select>
      <input
        v-if="op !== 'present'"
        v-model="values"
        class="input"
        placeholder="one, or another"
        aria-label="Compared with, several parted by commas"
      />
    </template>
    <div v-else-if="kind === 'device'" class="flex flex-wrap gap-x-3">
      <label v-for="d in ['phone', 'tablet', 'desktop'] as const" :key="d" class="flex items-center gap-1"
        ><input v-model="devices" type="checkbox" class="accent-ink" :value="d" /> {{ d }}</label
      >
    </div>
    <div v-else-if="kind === 'role'" class="flex flex-wrap gap-x-3">
      <label v-for="r in ['visitor', 'member', 'writer', 'designer', 'owner']" :key="r" class="flex items-center gap-1"
        ><input v-model="roles" type="checkbox" class="accent-ink" :value="r" /> {{ r }}</label
      >
    </div>
    <div v-else-if="kind === 'signed-in'" class="flex gap-x-3">
      <label class="flex items-center gap-1"
        ><input v-model="yes" type="radio" class="accent-ink" :value="true" /> signed in</label
      >
      <label class="flex items-center gap-1"
        ><input v-model="yes" type="radio" class="accent-ink" :value="false" /> not</label
      >
    </div>
    <template v-else>
      <label class="grid grid-cols-[40px_1fr] items-center text-xs"
        >from <input v-model="from" class="input" type="date" aria-label="From"
      /></label>
      <label class="grid grid-cols-[40px_1fr] items-center text-xs"
        >until <input v-model="until" class="input" type="date" aria-label="Until"
      /></label>
      <div class="flex flex-wrap gap-x-2">
        <label v-for="(d, i) in DAYS" :key="d" class="flex items-center gap-0.5 text-xs"
          ><input v-model="weekdays" type="checkbox" class="accent-ink" :value="i + 1" /> {{ d }}</label
        >
      </div>
    </template>
    <p v-if="refused" class="bg-wash p-1.5 text-xs" role="alert">{{ refused }}</p>
    <div class="flex justify-end gap-1">
      <button type="button" class="btn btn-small" @click="$emit('close')">Not this</button>
      <button class="btn btn-small">Add</button>
    </div>
  </form>
</template>
