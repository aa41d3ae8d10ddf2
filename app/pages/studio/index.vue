<template>
  <p>Studio</p>
</template>
