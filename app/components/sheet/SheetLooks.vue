<script setup lang="ts">
import type { TreeNode } from '#core/tree'
import { settingKey } from '#core/layouts'
import { STYLE_GROUPS, type StyleGroup } from '#core/styles'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'

/** The looks of what is in hand as a whole: its named look, and what is copied onto others. */
const props = defineProps<{ node: TreeNode }>()

const bench = useBench()
const design = useDesign()
const looks = useLooks()
const { offered, mayKeep, give, keep } = useNamedLooks()
const naming = ref(false)
const name = ref('')
const gone = computed(() => props.node.look !== undefined && !design.house.looks.some((l) => l.id === props.node.look))
const groups = Object.entries(STYLE_GROUPS) as [StyleGroup, string][]

async function make() {
  if (!name.value.trim()) return
  await keep(name.value.trim())
  naming.value = false
  name.value = ''
}
</script>

<template>
  <div class="border-t py-2" role="group" aria-label="Looks as a whole">
    <label v-if="offered.length || node.look" class="mb-1.5 grid grid-cols-[88px_1fr] items-center">
      <span class="text-soft">Named look</span>
      <select
        class="input"
        aria-label="Named look"
        :value="node.look ?? ''"
        @change="give(($event.target as HTMLSelectElement).value)"
      >
        <option value="">none</option>
        <option v-if="gone" :value="node.look">one that is gone</option>
        <option v-for="look in offered" :key="look.id" :value="look.id">{{ look.name }}</option>
      </select>
    </label>
    <OwnMark :of="settingKey({ kind: 'setLook', id: node.id, look: '' })" label="The named look" />
    <div class="flex flex-wrap gap-1">
      <button type="button" class="btn btn-small" @click="looks.copy">Copy looks</button>
      <button type="button" class="btn btn-small" :disabled="!looks.copied.value" @click="looks.paste()">
        Give copied looks
      </button>
      <select
        v-if="looks.copied.value"
        class="input w-auto!"
        aria-label="Give only"
        value=""
        @change="looks.paste(($event.target as HTMLSelectElement).value as StyleGroup)"
      >
        <option value="">or only…</option>
        <option v-for="[group, label] in groups" :key="group" :value="group">{{ label }}</option>
      </select>
    </div>
    <div class="mt-1 flex flex-wrap gap-1">
      <button
        v-if="bench.nodes.length === 1 && Object.keys(node.styles).length"
        type="button"
        class="btn btn-small"
        :title="`Makes these the looks of every ${looks.kind.value} here`"
        @click="looks.giveToAll"
      >
        Give to all of its kind
      </button>
      <button v-if="mayKeep && !naming" type="button" class="btn btn-small" @click="naming = true">
        Keep as a named look…
      </button>
    </div>
    <form v-if="naming" class="mt-1.5 flex gap-1" @submit.prevent="make" @keydown.esc.stop="naming = false">
      <input
        v-model="name"
        class="input"
        maxlength="60"
        placeholder="Card on dark"
        aria-label="Name of the look"
        @vue:mounted="($event: any) => $event.el.focus()"
      />
      <button type="submit" class="btn btn-small h-7!" :disabled="!name.trim()">Keep</button>
    </form>
  </div>
</template>
