<script setup lang="ts">
import { type Refinement, type Target, refinementName, targetName } from '#core/targets'
import { useMap } from '~/stores/map'

/** The lines of Covers or of Except: each one a target, with the further facts that must hold. */
const props = defineProps<{ which: 'covers' | 'except'; targets: Target[] }>()
const emit = defineEmits<{ set: [targets: Target[]] }>()

const map = useMap()
const plain = (list: Target[]): Target[] => JSON.parse(JSON.stringify(list)) as Target[]

function add(target: Target) {
  emit('set', [...plain(props.targets), target])
}
function takeAway(at: number) {
  emit(
    'set',
    plain(props.targets).filter((_, i) => i !== at),
  )
}
const mayRefine = (target: Target) =>
  target.kind === 'entries' || target.kind === 'type' || (target.kind === 'kind' && target.pages === 'entries')
const typeOf = (target: Target) => (target.kind === 'entries' || target.kind === 'type' ? target.type : null)

/** A whole type becomes its entries with a fact; without any fact it is the whole type again. */
function refine(at: number, refinement: Refinement) {
  const next = plain(props.targets)
  const target = next[at]!
  const where = target.kind === 'entries' ? [...target.where, refinement] : [refinement]
  next[at] = { kind: 'entries', type: typeOf(target), where }
  emit('set', next)
}
function unrefine(at: number, r: number) {
  const next = plain(props.targets)
  const target = next[at] as Extract<Target, { kind: 'entries' }>
  const where = target.where.filter((_, i) => i !== r)
  next[at] =
    where.length > 0
      ? { ...target, where }
      : target.type === null
        ? { kind: 'kind', pages: 'entries' }
        : { kind: 'type', type: target.type }
  emit('set', next)
}
/** The target without its facts, which stand beside it as chips of their own. */
function head(target: Target): string {
  if (!map.names) return ''
  return targetName(target.kind === 'entries' ? { ...target, where: [] } : target, map.names)
}
const refinements = (target: Target) => (target.kind === 'entries' ? target.where : [])
const fact = (r: Refinement, target: Target) => (map.names ? refinementName(r, typeOf(target), map.names) : '')
const WORDS = { covers: ['Covers', 'Add what it covers'], except: ['Except', 'Add an exception'] }
</script>

<template>
  <div class="grid grid-cols-[62px_1fr] gap-x-1">
    <span class="pt-1 text-xs text-soft">{{ WORDS[which][0] }}</span>
    <ul class="min-w-0 space-y-1">
      <li v-for="(target, i) in targets" :key="i" class="border border-edge bg-board">
        <span class="flex items-center">
          <span class="min-w-0 flex-1 break-words px-1.5 py-0.5">{{ head(target) }}</span>
          <button
            type="button"
            class="px-1.5 py-0.5 hover:bg-rule"
            :aria-label="`Take away ${map.names ? targetName(target, map.names) : 'target'}`"
            @click="takeAway(i)"
          >
            ×
          </button>
        </span>
        <span v-for="(r, k) in refinements(target)" :key="k" class="flex items-center border-t border-rule pl-3">
          <span class="min-w-0 flex-1 break-words px-1.5 py-0.5 text-xs">{{ fact(r, target) }}</span>
          <button
            type="button"
            class="px-1.5 py-0.5 hover:bg-rule"
            :aria-label="`Take away: ${fact(r, target)}`"
            @click="unrefine(i, k)"
          >
            ×
          </button>
        </span>
        <RefinementPicker
          v-if="mayRefine(target)"
          class="border-t border-dashed border-rule pl-3"
          :type="typeOf(target)"
          @pick="refine(i, $event)"
        />
      </li>
      <li><TargetPicker :label="WORDS[which][1]!" @pick="add" /></li>
    </ul>
  </div>
</template>
