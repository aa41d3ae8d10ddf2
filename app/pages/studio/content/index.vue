<script setup lang="ts">
definePageMeta({ redirect: '/studio/content/entries' })
</script>

<template><span /></template>
