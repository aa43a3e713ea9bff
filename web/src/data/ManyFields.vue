<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import EffectNotice from './EffectNotice.vue'
import { withShared, type Shared } from './dictionary'
import { api, type EffectView } from '@/api/client'
import InspectorField from '@/bench/inspector/InspectorField.vue'
import TextInput from '@/bench/inspector/TextInput.vue'
import { useUnsaved } from '@/shell/useUnsaved'
import { words } from '@/words'

/** Several fields given the same role, format, unit or hiding at once. */
const props = defineProps<{ dataset: string; ids: string[] }>()
const emit = defineEmits<{ saved: []; close: [] }>()

const text = words.data.edit
const shared = ref<Shared>({})
const hiding = ref<'true' | 'false'>()
const problem = ref('')
const effect = ref<EffectView>()
const saving = ref(false)
const options = (of: object) => Object.entries(of).map(([value, label]) => ({ value, label: String(label) }))
const roles = options(text.roles)
const hidings = options(text.hide)

watch([shared, hiding, () => props.ids], () => (effect.value = undefined), { deep: true })

const isChanged = computed(() => hiding.value !== undefined || Object.values(shared.value).some(Boolean))
const isSaved = ref(false)
useUnsaved(() => isChanged.value && !isSaved.value)

/** A list that is open closes first, and what was typed stays. */
function onEscape(event: KeyboardEvent) {
  if (!event.defaultPrevented && !isChanged.value) {
    emit('close')
  }
}

async function save() {
  saving.value = true
  problem.value = ''
  try {
    const { definition, revision } = await api.datasetEditing(props.dataset)
    const hidden = hiding.value && hiding.value === 'true'
    const next = withShared(definition, props.ids, { ...shared.value, hidden })
    if (!effect.value) {
      const found = await api.datasetEffect(props.dataset, next)
      if (found.broken.length || found.others || found.datasets.length) {
        effect.value = found
        return
      }
    }
    await api.saveDataset(props.dataset, next, revision)
    isSaved.value = true
    emit('saved')
  } catch (e) {
    problem.value = (e as Error).message
  } finally {
    saving.value = false
  }
}
</script>

<template>
  <form :aria-label="text.many(ids.length)" @submit.prevent="save" @keydown.esc.stop="onEscape">
    <h2>{{ text.many(ids.length) }}</h2>
    <p class="quiet">{{ text.manyHint }}</p>
    <InspectorField v-slot="{ id }" :label="text.role">
      <Select
        v-model="shared.role"
        :input-id="id"
        :aria-label="text.role"
        :options="roles"
        option-label="label"
        option-value="value"
        show-clear
        :placeholder="text.asIs"
        size="small"
        fluid
      />
    </InspectorField>
    <InspectorField :label="text.format" :hint="text.formatHint">
      <TextInput v-model="shared.format" :placeholder="text.asIs" />
    </InspectorField>
    <InspectorField :label="text.unit">
      <TextInput v-model="shared.unit" :placeholder="text.asIs" />
    </InspectorField>
    <InspectorField v-slot="{ id }" :label="text.hiding">
      <Select
        v-model="hiding"
        :input-id="id"
        :aria-label="text.hiding"
        :options="hidings"
        option-label="label"
        option-value="value"
        show-clear
        :placeholder="text.asIs"
        size="small"
        fluid
      />
    </InspectorField>
    <EffectNotice v-if="effect" :effect="effect" />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="actions">
      <Button :label="text.cancel" text severity="secondary" size="small" @click="emit('close')" />
      <Button type="submit" :label="effect ? text.saveAnyway : text.save" size="small" :disabled="saving" />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.7rem;
}
h2 {
  font-size: 1.15rem;
  margin: 0;
}
.quiet {
  color: var(--quiet);
  margin: 0;
}
.problem {
  color: var(--danger);
  margin: 0;
}
.actions {
  display: flex;
  justify-content: end;
  gap: 0.25rem;
}
</style>
