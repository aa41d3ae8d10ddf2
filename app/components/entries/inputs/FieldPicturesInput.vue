<script setup lang="ts">
import type { Field } from '#core/fields'
import { useSite } from '~/stores/site'

/** Several pictures of the site, in order. */
const props = defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const list = computed(() => (Array.isArray(props.value) ? (props.value as string[]) : []))
const site = useSite()
</script>

<template>
  <ListField :label="field.label" :items="list" :most="200" @set="emit('set', $event)">
    <template #default="{ item }">
      <span class="flex items-center gap-2">
        <img
          v-if="site.catalogue!.pictures.get(item)"
          :src="smallAddress(site.catalogue!.pictures.get(item)!)"
          alt=""
          loading="lazy"
          class="size-8 shrink-0 object-cover"
        />
        <span class="truncate text-xs">{{ site.catalogue!.pictures.get(item)?.alt || item }}</span>
      </span>
    </template>
    <template #more>
      <AskPicture
        :value="null"
        :label="`Add to ${field.label}`"
        words="add a picture"
        @set="$event && emit('set', [...list, $event])"
      />
    </template>
  </ListField>
</template>
