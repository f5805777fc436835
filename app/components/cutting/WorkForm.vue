<script setup lang="ts">
import { WISHES } from '../../../core/document'
import type { WishesEntry } from '../../../core/document'

/** How the maker likes to work, and what plans are to keep to; folded away where it seldom changes. */
const { wishes } = defineProps<{ wishes: WishesEntry }>()
const emit = defineEmits<{ change: [what: string, wishes: WishesEntry] }>()
// What counts most stands beside the plans.
const { priority: _, ...FIELDS } = WISHES
</script>

<template>
  <FoldOut title="How you like to cut">
    <p class="quiet small">
      An empty field sets no limit.
    </p>
    <FieldRows
      :table="FIELDS"
      :values="wishes"
      @change="(key, change) => emit('change', `wish ${key}`, { ...wishes, ...change })"
    />
  </FoldOut>
</template>
