<script setup lang="ts">
const toast = useToast()
const bringBack = useBringBack()

/** Brings back what was just deleted. */
async function restore(bin: string) {
  toast.removeGroup('undo')
  await bringBack(Number(bin))
}
</script>

<template>
  <Toast group="undo" position="bottom-right">
    <template #message="{ message }">
      <div class="row">
        <span>{{ message.summary }}</span>
        <Button label="Bring it back" size="small" @click="restore(message.detail)" />
      </div>
    </template>
  </Toast>
</template>
