<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputNumber from 'primevue/inputnumber'
import Select from 'primevue/select'
import SelectButton from 'primevue/selectbutton'
import { computed, ref, watch } from 'vue'
import { api, ApiError, type SourceBody, type SourceLine } from '@/api/client'
import InspectorField from '@/bench/inspector/InspectorField.vue'
import TextInput from '@/bench/inspector/TextInput.vue'
import { words } from '@/words'

/** A source, added or changed. It can be tried before it is kept. */
const props = defineProps<{ line?: SourceLine }>()
const emit = defineEmits<{ saved: [id?: string]; close: [] }>()

const text = words.sources
const empty = (): SourceBody => ({ label: '', kind: 'POSTGRESQL', port: 5432, tls: 'VERIFY' })
const levels = Object.entries(text.levels).map(([value, label]) => ({ value, label }))

/** What is on record, as it is sent back; the password stays where it is. */
async function onRecord(id: string): Promise<SourceBody> {
  const { encryption, ...rest } = await api.source(id)
  return {
    ...rest,
    tls: encryption.level,
    authorities: encryption.authorities,
    clearPassword: encryption.clearPassword,
  }
}
const body = ref<SourceBody>(empty())
/** Nothing is typed into a form that is still to be filled. */
const loaded = ref(false)
const faults = ref<Record<string, string>>({})
const problem = ref('')
const verdict = ref<{ ok: boolean; verdict: string }>()
const busy = ref(false)
const kinds = Object.entries(text.kinds).map(([value, label]) => ({ value, label }))
const isFile = computed(() => body.value.kind !== 'POSTGRESQL')

async function doing<T>(work: () => Promise<T>): Promise<T | undefined> {
  busy.value = true
  problem.value = ''
  faults.value = {}
  verdict.value = undefined
  try {
    return await work()
  } catch (e) {
    const found = e instanceof ApiError ? e.problems : []
    faults.value = Object.fromEntries(found.map((fault) => [fault.pointer.slice(1), fault.message]))
    problem.value = found.length ? '' : (e as Error).message
    return undefined
  } finally {
    busy.value = false
  }
}

watch(
  () => props.line?.id,
  (id) =>
    doing(async () => {
      loaded.value = !id
      body.value = id ? await onRecord(id) : empty()
      loaded.value = true
    }),
  { immediate: true },
)

const tryIt = () => doing(async () => void (verdict.value = await api.trySource(body.value, props.line?.id)))

async function save() {
  const saved = await doing(async () => {
    if (props.line) {
      await api.changeSource(props.line.id, body.value)
      return props.line.id
    }
    return (await api.addSource(body.value)).id
  })
  if (saved) {
    emit('saved', saved)
  }
}

async function remove() {
  const gone = await doing(async () => {
    await api.removeSource(props.line!.id)
    return true
  })
  if (gone) {
    emit('saved')
  }
}
</script>

<template>
  <form :aria-label="line ? text.edit(line.label) : text.new" :inert="!loaded" @submit.prevent="save">
    <h2>{{ line ? text.edit(line.label) : text.new }}</h2>
    <SelectButton
      v-model="body.kind"
      :options="kinds"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      size="small"
      :aria-label="text.kind"
    />
    <InspectorField :label="text.label" :hint="text.labelHint" :problem="faults.label">
      <TextInput :model-value="body.label" @update:model-value="(label) => (body.label = label ?? '')" />
    </InspectorField>
    <InspectorField v-if="isFile" :label="text.file" :hint="text.fileHint" :problem="faults.file">
      <TextInput v-model="body.file" />
    </InspectorField>
    <template v-else>
      <div class="pair">
        <InspectorField :label="text.host" :problem="faults.host"
          ><TextInput v-model="body.host"
        /></InspectorField>
        <InspectorField v-slot="{ id }" :label="text.port" :problem="faults.port">
          <InputNumber
            v-model="body.port"
            :input-id="id"
            :use-grouping="false"
            :max-fraction-digits="0"
            size="small"
            fluid
          />
        </InspectorField>
      </div>
      <InspectorField :label="text.database" :problem="faults.database"
        ><TextInput v-model="body.database"
      /></InspectorField>
      <InspectorField :label="text.user" :hint="text.userHint" :problem="faults.user"
        ><TextInput v-model="body.user"
      /></InspectorField>
      <InspectorField :label="text.password" :hint="line && text.passwordKept">
        <TextInput v-model="body.password" type="password" autocomplete="new-password" />
      </InspectorField>
      <InspectorField v-slot="{ id }" :label="text.encryption" :problem="faults.tls">
        <Select
          v-model="body.tls"
          :input-id="id"
          :aria-label="text.encryption"
          :options="levels"
          option-label="label"
          option-value="value"
          size="small"
          fluid
        />
      </InspectorField>
      <InspectorField
        v-if="body.tls === 'VERIFY'"
        :label="text.authorities"
        :hint="text.authoritiesHint"
        :problem="faults.authorities"
      >
        <TextInput v-model="body.authorities" long />
      </InspectorField>
      <label v-if="body.tls === 'OFF'" class="clear">
        <Checkbox v-model="body.clearPassword" binary />
        <span>{{ text.clearPassword }}</span>
      </label>
    </template>
    <p v-if="busy" class="quiet" role="status">{{ text.trying }}</p>
    <p v-if="verdict" :class="verdict.ok ? 'good' : 'problem'" role="status">
      <i :class="verdict.ok ? 'pi pi-check' : 'pi pi-times'" aria-hidden="true" /> {{ verdict.verdict }}
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="actions">
      <Button
        v-if="line"
        :label="text.remove"
        text
        severity="secondary"
        size="small"
        :disabled="busy"
        @click="remove"
      />
      <Button :label="text.cancel" text severity="secondary" size="small" @click="emit('close')" />
      <Button :label="text.tryIt" outlined size="small" :disabled="busy" @click="tryIt" />
      <Button type="submit" :label="text.save" size="small" :disabled="busy" />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.8rem;
  max-width: 30rem;
}
h2 {
  font-size: 1.15rem;
  margin: 0;
  overflow-wrap: anywhere;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 7rem;
  gap: 0.6rem;
}
.clear {
  display: flex;
  gap: 0.5rem;
}
.good {
  margin: 0;
}
.quiet {
  color: var(--quiet);
  margin: 0;
}
.problem {
  color: var(--danger);
  margin: 0;
  overflow-wrap: anywhere;
}
.actions {
  display: flex;
  justify-content: end;
  gap: 0.25rem;
}
</style>
