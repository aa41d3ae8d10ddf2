<script setup lang="ts">
import { type TargetOption, type Target, targetChoices } from '#core/targets'
import { findByWords } from '#core/text'
import { useSite } from '~/stores/site'

/** A target picked by typing a few letters of a page, term or type. */
defineProps<{ label: string }>()
const emit = defineEmits<{ pick: [target: Target] }>()

const site = useSite()
const open = ref(false)
const typed = ref('')
const root = ref<HTMLElement>()
const leave = useLeaving(root, () => (open.value = false))
const all = computed(() => (open.value && site.catalogue ? targetChoices(site.catalogue) : []))
const found = computed(() => findByWords(all.value, typed.value, (c) => c.label).slice(0, 40))

function begin() {
  open.value = true
  typed.value = ''
}
function pick(choice: TargetOption<Target>) {
  emit('pick', JSON.parse(JSON.stringify(choice.picks)) as Target)
  open.value = false
}
</script>

<template>
  <div ref="root" @focusout="leave">
    <button
      v-if="!open"
      type="button"
      class="border border-dashed border-edge px-1.5 py-0.5 text-soft hover:border-ink hover:text-ink"
      :aria-label="label"
      @click="begin"
    >
      + add
    </button>
    <ChoiceBox
      v-else
      v-model:typed="typed"
      :label="label"
      placeholder="Type a few letters"
      :found="found"
      @pick="pick"
      @leave="open = false"
    />
  </div>
</template>
