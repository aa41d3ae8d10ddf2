<script setup lang="ts">
import { Bar } from 'vue-chartjs'
import { BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js'

/** What was taken with each thing, the most first. */
const props = defineProps<{ goods: readonly { title: string; amount: number }[]; says: string }>()
Chart.register(BarElement, CategoryScale, LinearScale, Tooltip)
const tokens = getComputedStyle(document.documentElement)
const token = (name: string) => tokens.getPropertyValue(`--color-${name}`)
const MOST = 28
const short = (title: string) => (title.length > MOST ? `${title.slice(0, MOST - 1)}…` : title)
const data = computed(() => ({
  labels: props.goods.map((g) => short(g.title)),
  datasets: [{ data: props.goods.map((g) => g.amount), backgroundColor: token('ink'), maxBarThickness: 14 }],
}))
const options = computed(() => ({
  indexAxis: 'y' as const,
  responsive: true,
  maintainAspectRatio: false,
  animation: false as const,
  plugins: { legend: { display: false } },
  scales: {
    x: { beginAtZero: true, ticks: { font: { size: 11 } }, grid: { color: token('rule') } },
    y: { grid: { display: false }, ticks: { font: { size: 11 } } },
  },
}))
</script>

<template>
  <figure class="h-44"><Bar :data="data" :options="options" :aria-label="says" /></figure>
</template>
