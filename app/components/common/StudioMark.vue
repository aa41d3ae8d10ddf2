<template>
  <svg viewBox="0 0 24 24" fill="none" stroke="currentColor" aria-hidden="true">
    <rect x="1" y="1" width="22" height="22" />
    <path d="M1 1l6.5 6.5M23 1l-6.5 6.5M1 23l6.5-6.5M23 23l-6.5-6.5" />
    <rect x="7.5" y="7.5" width="9" height="9" class="fill-spot stroke-spot" />
  </svg>
</template>
