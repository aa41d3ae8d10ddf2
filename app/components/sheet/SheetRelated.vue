<script setup lang="ts">
import { Formats, sceneOf } from '#core/drawing'
import { whyRelated } from '#core/elements'
import type { Page } from '#core/model'
import type { TreeNode } from '#core/tree'
import { and } from '#core/text'
import { useSite } from '~/stores/site'

/** Why each of the entries in a list of related ones is there, on the page that is looked at. */
const props = defineProps<{ node: TreeNode; page: Page }>()

const site = useSite()
const why = computed(() => {
  const { catalogue } = site
  if (!catalogue || props.node.kind !== 'element') return null
  return whyRelated(props.node, sceneOf(catalogue, new Formats(catalogue.site.settings), props.page))
})
</script>

<template>
  <section v-if="why" class="border-t py-2.5" aria-label="Why these">
    <h3 class="mb-1.5 font-semibold">Why these</h3>
    <p v-if="why.length === 0" class="text-xs text-soft">Nothing is related to “{{ page.title }}” in this way.</p>
    <ol class="space-y-1">
      <li v-for="{ entry, name, shares } in why" :key="entry.id" class="text-xs">
        <span class="made block">{{ name }}</span>
        <span class="text-soft">
          {{ shares.length > 0 ? `shares ${and(shares)}` : 'is among the newest' }}
        </span>
      </li>
    </ol>
  </section>
</template>
