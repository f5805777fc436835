<script setup lang="ts">
import type { Part } from '../../../core/folds'

/** The flat patterns of a card as files, once the server has what is on screen. */
defineProps<{ card: string, blanks: Part[] }>()
const work = useClassStore()
</script>

<template>
  <p v-if="work.state === 'saved'" class="quiet small">
    In real size for a cutting machine:
    <span v-for="part in blanks" :key="part.key" class="files">{{ part.name }}
      <a
        v-for="format in ['svg', 'dxf']"
        :key="format"
        :href="`/api/classes/${work.id}/pattern?card=${card}&part=${part.key}&format=${format}`"
        download
      >{{ format.toUpperCase() }}<span class="unseen"> of {{ part.name }}</span></a>
    </span>
  </p>
</template>

<style scoped>
.files { margin-right: 1rem; }
.files a { margin-left: 0.3rem; }
</style>
