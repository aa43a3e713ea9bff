<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref } from 'vue'
import type { DatasetDefinition } from '../dictionary'
import { measured } from './measure'
import type { JoinBody, JoinTrial } from '@/api/client'
import { words } from '@/words'

/** How a join matches, in numbers and words; what deserves a look stands out. */
const props = defineProps<{ definition: DatasetDefinition; join: JoinBody; from: string; to: string }>()
const emit = defineEmits<{ measured: [trial: JoinTrial] }>()

const text = words.compose
const trial = ref<JoinTrial>()
const problem = ref('')
let gone = false

const remarks = computed(() => {
  if (!trial.value) {
    return []
  }
  const { rows, without, targets, unused, repeats } = trial.value
  if (repeats) {
    return [text.repeats(repeats, props.join.key.join(' and '))]
  }
  if (rows && without === rows) {
    return [text.none(props.from)]
  }
  return [
    without ? text.without(without, rows, props.from) : '',
    unused ? text.unused(unused, targets, props.to) : '',
    without * 2 > rows ? text.doubtful : '',
  ].filter(Boolean)
})

onMounted(async () => {
  try {
    const found = await measured(props.definition, props.join)
    if (!gone) {
      trial.value = found
      emit('measured', found)
    }
  } catch (e) {
    problem.value = (e as Error).message
  }
})
onUnmounted(() => (gone = true))
</script>

<template>
  <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
  <span v-else-if="!trial" class="quiet">{{ text.measuring }}</span>
  <span v-else-if="!remarks.length">{{ text.matchAll(trial.rows, from) }}</span>
  <strong v-else>{{ remarks.join(' ') }}</strong>
</template>

<style scoped>
strong {
  font-weight: 600;
}
.quiet {
  color: var(--quiet);
}
.problem {
  color: var(--danger);
  overflow-wrap: anywhere;
}
</style>
