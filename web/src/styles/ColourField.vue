<script setup lang="ts">
/** A colour, chosen or left out. */
defineProps<{ label: string }>()
const colour = defineModel<string>({ required: true })
</script>

<template>
  <label class="colour">
    <input v-model.lazy="colour" type="color" :aria-label="label" />
    <code>{{ colour }}</code>
  </label>
</template>

<style scoped>
.colour {
  display: flex;
  align-items: center;
  gap: 0.35rem;
}
input {
  width: 2rem;
  height: 1.6rem;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: none;
}
code {
  font-size: 0.8rem;
  color: var(--quiet);
}
</style>
