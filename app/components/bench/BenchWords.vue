<script setup lang="ts">
import type { Page } from '#core/model'
import type { WordsOnPage } from '~/composables/useWordsOnPage'

/** What belongs to the words that are written on the page, below it: their tools, or, for a field, what it says and how. */
const props = defineProps<{ words: WordsOnPage; page: Page }>()
const written = computed(() => props.words.written.value)
const key = computed(() => `${written.value?.id} ${written.value?.property} ${written.value?.within?.item ?? ''}`)
</script>

<template>
  <template v-if="written">
    <div v-if="words.isField.value" class="max-w-md border-t bg-sheet px-3 py-2" data-testid="words">
      <AskField
        :value="written.value"
        :page="page"
        :kinds="null"
        :fixed="written.spec.kind === 'field'"
        @set="words.setAndLeave"
      />
    </div>
    <RichWords
      v-else-if="written.spec.kind === 'rich'"
      :key="key"
      :written="written"
      :page="page"
      @set="words.set"
      @leave="words.leave"
    />
    <PlainWords v-else :key="key" :written="written" @set="words.set" @leave="words.leave" />
  </template>
</template>
