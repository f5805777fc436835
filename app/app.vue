<script setup lang="ts">
import font from '@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2?url'

// Runs before anything is painted, so that a dark page never flashes light.
const theme = 'try{const t=localStorage.getItem("wakaru-theme");if(t==="dark"||(t!=="light"&&matchMedia("(prefers-color-scheme: dark)").matches))document.documentElement.classList.add("dark")}catch{}'
useHead({
  script: [{ innerHTML: theme, tagPosition: 'head' }],
  link: [{ rel: 'preload', as: 'font', type: 'font/woff2', href: font, crossorigin: 'anonymous' }],
})
</script>

<template>
  <NuxtLayout>
    <NuxtPage />
  </NuxtLayout>
</template>
