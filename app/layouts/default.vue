<script setup lang="ts">
import { onKeyStroke, useDark } from '@vueuse/core'

useDark({ storageKey: 'wakaru-theme', valueLight: '' })
const help = useHelp()
const asking = useAsking()
const touring = useTour().place
onKeyStroke('?', (event) => {
  if (!(event.target as HTMLElement).closest('input, textarea')) help.value = true
})
/** A page that fills the window scrolls nowhere but in its own lists. */
const route = useRoute()
const fills = computed(() => route.meta.fills === true)
</script>

<template>
  <div :class="['frame', { fills }]">
    <a class="skip" href="#work">To the work</a>
    <header class="top">
      <NuxtLink to="/" class="mark">
        <img src="/mark.svg" alt="" width="24" height="24">
        <span class="wordmark">Wakaru</span>
      </NuxtLink>
      <nav aria-label="Rooms" class="row">
        <NuxtLink to="/">
          Classes
        </NuxtLink>
        <NuxtLink to="/folds">
          Catalogue
        </NuxtLink>
        <NuxtLink to="/papers">
          Paper shelf
        </NuxtLink>
        <NuxtLink to="/reserved">
          Reserved
        </NuxtLink>
      </nav>
      <span class="gap" />
      <IconButton icon="tabler:help" tip="Words, shortcuts and cautions (?)" label="Help" @click="help = true" />
      <IconButton icon="tabler:settings" tip="Settings" as="router-link" to="/settings" label="Settings" />
    </header>
    <hr class="scored">
    <main id="work" tabindex="-1">
      <slot />
    </main>
    <ClientOnly>
      <Toast position="bottom-right" />
      <UndoToast />
      <LazyConfirmDialog v-if="asking !== 'no'" @vue:mounted="asking = 'here'" />
      <LazyHelpDialog v-if="help" />
      <LazyTourPanel v-if="touring" />
    </ClientOnly>
  </div>
</template>

<style scoped>
.top { display: flex; align-items: center; gap: 0 1.5rem; padding: 0 1rem; min-height: 2.5rem; }
.mark {
  display: flex; align-items: center; gap: 0.5rem; font-weight: 700; font-size: 1.125rem;
  color: var(--ink); text-decoration: none;
}
nav { gap: 1.25rem; }
nav a { color: var(--quiet); text-decoration: none; padding: 0.2rem 0; }
nav a:hover { color: var(--ink); }
nav a.router-link-exact-active { color: var(--ink); font-weight: 600; }
.gap { flex: 1; }
main { padding: 0.5rem 1rem 2rem; max-width: 1440px; margin: 0 auto; outline: none; }
@media (pointer: coarse) { nav a, .mark { min-height: 44px; min-width: 44px; display: flex; align-items: center; } }
@media (max-width: 560px) {
  /* The rooms have a line of their own: four of them do not fit beside the mark. */
  .top { gap: 0 0.3rem; padding: 0 0.6rem; flex-wrap: wrap; }
  .top nav { order: 1; flex: 1 0 100%; gap: 0.6rem; flex-wrap: nowrap; white-space: nowrap; }
  .top nav { justify-content: space-between; }
  main { padding: 0.4rem 0.6rem 2rem; }
}
@media (min-width: 1000px) and (min-height: 600px) {
  .fills { height: 100dvh; display: flex; flex-direction: column; }
  .fills main {
    flex: 1; min-height: 0; width: 100%; max-width: none; padding-bottom: 0; display: flex;
    flex-direction: column;
  }
}
</style>
