<script setup lang="ts">
import type { Plan } from '#shared/api/types'
import { counted } from '#core/text'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** Releases that are set for a moment, and what became of those that were. */
const design = useDesign()
const notices = useNotices()
const session = useSession()
const times = useTimes()

function became(plan: Plan): string {
  if (plan.state === 'refused') return 'was not released'
  if (plan.state === 'undone') return `was release ${plan.number}, and is undone`
  if (plan.state === 'done')
    return plan.until === null
      ? `is release ${plan.number}`
      : `is release ${plan.number} until ${times.write(plan.until)}`
  return plan.until === null ? 'waits' : `waits, and is undone ${times.write(plan.until)}`
}
const cancel = (plan: Plan) => notices.attempt(() => design.cancelPlan(plan.id))
</script>

<template>
  <section v-if="design.plans.length" class="mb-8" aria-labelledby="plans">
    <h2 id="plans" class="made mb-1 text-xl">Set for a moment</h2>
    <ul class="border-t">
      <li v-for="plan in design.plans" :key="plan.id" class="border-b py-2">
        <p class="flex items-baseline justify-between gap-3">
          <span class="made text-base"
            >{{ times.write(plan.at) }}<template v-if="plan.note">: {{ plan.note }}</template></span
          >
          <button
            v-if="plan.state === 'waits' && session.mayDesign"
            type="button"
            class="btn btn-small shrink-0"
            @click="cancel(plan)"
          >
            Do not release
          </button>
        </p>
        <p class="text-xs text-soft">
          {{ counted(plan.changes.length, 'change') }}, by {{ plan.by }}; {{ became(plan) }}
        </p>
        <p v-if="plan.why" class="mt-1 bg-wash p-1.5 text-xs" role="alert">{{ plan.why }}</p>
      </li>
    </ul>
  </section>
</template>
