<script setup lang="ts">
import { useDark, useToggle } from '@vueuse/core'

const dark = useDark({ storageKey: 'wakaru-theme', valueLight: '' })
const toggleDark = useToggle(dark)
const help = useHelp()
</script>

<template>
  <div class="frame">
    <a
      class="skip"
      href="#work"
    >To the work</a>
    <header class="top">
      <NuxtLink
        to="/"
        class="mark"
      >
        <img
          src="/mark.svg"
          alt=""
          width="24"
          height="24"
        >
        Wakaru
      </NuxtLink>
      <nav
        aria-label="Rooms"
        class="row"
      >
        <NuxtLink to="/">
          Classes
        </NuxtLink>
        <NuxtLink to="/folds">
          Catalogue
        </NuxtLink>
        <NuxtLink to="/papers">
          Paper shelf
        </NuxtLink>
      </nav>
      <span class="gap" />
      <Button
        v-tooltip.bottom="'Shortcuts and cautions (?)'"
        text
        severity="secondary"
        aria-label="Shortcuts and cautions"
        @click="help = true"
      >
        <Icon name="tabler:help" />
      </Button>
      <Button
        v-tooltip.bottom="'Light or dark'"
        text
        severity="secondary"
        aria-label="Light or dark"
        @click="toggleDark()"
      >
        <Icon name="tabler:brightness-half" />
      </Button>
    </header>
    <hr class="scored">
    <main
      id="work"
      tabindex="-1"
    >
      <slot />
    </main>
    <ClientOnly>
      <Toast position="bottom-right" />
      <UndoToast />
      <ConfirmDialog />
      <HelpDialog />
    </ClientOnly>
  </div>
</template>

<style scoped>
.top { display: flex; align-items: center; gap: 1.5rem; padding: 0.45rem 1.25rem; }
.mark { display: flex; align-items: center; gap: 0.5rem; font-weight: 700; font-size: 1.125rem; color: var(--ink); text-decoration: none; }
nav { gap: 1.25rem; }
nav a { color: var(--quiet); text-decoration: none; padding: 0.2rem 0; }
nav a:hover { color: var(--ink); }
nav a.router-link-exact-active { color: var(--ink); font-weight: 600; }
.gap { flex: 1; }
main { padding: 1.1rem 1.25rem 3rem; max-width: 1440px; margin: 0 auto; outline: none; }
</style>
