<script setup lang="ts">
// Runs before anything is painted, so that a dark page never flashes light.
const theme
  = 'try{const t=localStorage.getItem("wakaru-theme");if(t==="dark"||(t!=="light"&&matchMedia("(prefers-color-scheme: '
    + 'dark)").matches))document.documentElement.classList.add("dark")}catch{}'
useHead({ script: [{ innerHTML: theme, tagPosition: 'head' }] })
</script>

<template>
  <NuxtLayout>
    <NuxtPage />
  </NuxtLayout>
</template>
