<script setup lang="ts">
import { Bar } from 'vue-chartjs'
import { BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js'

/** How often something came, day by day; several kinds stand on each other. */
const props = defineProps<{
  days: readonly string[]
  /** `colour` is the name of a token of the studio. */
  kinds: readonly { label: string; colour: string; counts: readonly number[] }[]
  says: string
}>()
Chart.defaults.font.family = "'Schibsted Grotesk Variable', system-ui, sans-serif"
const tokens = getComputedStyle(document.documentElement)
const token = (name: string) => tokens.getPropertyValue(`--color-${name}`)
Chart.register(BarElement, CategoryScale, Legend, LinearScale, Tooltip)
const times = useTimes()
const data = computed(() => ({
  labels: props.days.map((d) => times.named(d, 'shortDay')),
  datasets: props.kinds.map((k) => ({
    label: k.label,
    data: [...k.counts],
    backgroundColor: token(k.colour),
    maxBarThickness: 22,
  })),
}))
const options = computed(() => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false as const,
  plugins: {
    legend: {
      display: props.kinds.length > 1,
      align: 'start' as const,
      labels: { boxWidth: 10, boxHeight: 10, font: { size: 12 } },
    },
  },
  scales: {
    x: { stacked: true, grid: { display: false }, ticks: { maxRotation: 0, autoSkipPadding: 16, font: { size: 11 } } },
    y: {
      stacked: true,
      beginAtZero: true,
      ticks: { precision: 0, font: { size: 11 } },
      grid: { color: token('rule') },
    },
  },
}))
</script>

<template>
  <figure class="h-44">
    <Bar :data="data" :options="options" :aria-label="says" />
  </figure>
</template>
