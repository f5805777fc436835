<script setup lang="ts">
/** What was deleted: it can be brought back for a while, whole. */
const emit = defineEmits<{ close: [] }>()
const toast = useToast()
const bringBack = useBringBack()

interface Entry { id: number, entity: 'class' | 'paper', title: string, deleted: string, days: number }
const { data, error, refresh } = useFetch<{ rest: number, entries: Entry[] }>('/api/bin', { key: 'bin' })
const entries = computed(() => data.value?.entries ?? [])
const day = (time: string) => new Date(time).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })

async function back({ id, title }: Entry) {
  if (await bringBack(id)) toast.add({ severity: 'success', summary: `“${title}” is back.`, life: 4000 })
  await refresh()
}
</script>

<template>
  <Dialog visible modal dismissable-mask header="Bin" :style="{ width: '40rem' }" @update:visible="emit('close')">
    <div class="stack">
      <NotRead v-if="error" what="The bin" :error />
      <p v-else-if="entries.length === 0" class="quiet">
        {{
          data ? `Nothing was deleted. Classes and papers rest here for ${data.rest} days.` : 'Looking into the bin …'
        }}
      </p>
      <table v-else>
        <thead>
          <tr>
            <th scope="col">
              What
            </th>
            <th scope="col">
              Deleted
            </th>
            <th scope="col" class="number">
              Days left
            </th>
            <th scope="col">
              <span class="unseen">Bring back</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="entry in entries" :key="entry.id">
            <th scope="row">
              <span class="title">{{ entry.title }}</span> <span class="quiet small">{{ entry.entity }}</span>
            </th>
            <td>{{ day(entry.deleted) }}</td>
            <td class="number">
              {{ entry.days }}
            </td>
            <td>
              <PlainButton label="Bring back" :aria-label="`Bring back ${entry.title}`" @click="back(entry)" />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </Dialog>
</template>

<style scoped>
.title { overflow-wrap: anywhere; }
</style>
