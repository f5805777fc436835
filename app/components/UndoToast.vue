<script setup lang="ts">
const toast = useToast()

/** Brings a deleted class back from the batch file that its deletion handed out. */
async function restore(file: string) {
  toast.removeGroup('undo')
  try {
    await $fetch('/api/import', { method: 'POST', body: file, headers: { 'Content-Type': 'application/json' } })
    await refreshNuxtData('classes')
  }
  catch (error) {
    toast.add({ severity: 'error', summary: refusalOf(error).message, life: 8000 })
  }
}
</script>

<template>
  <Toast
    group="undo"
    position="bottom-right"
  >
    <template #message="{ message }">
      <div class="row">
        <span>{{ message.summary }}</span>
        <Button
          label="Bring it back"
          size="small"
          @click="restore(message.detail)"
        />
      </div>
    </template>
  </Toast>
</template>
