<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import EntryCard from './EntryCard.vue'
import { problemText } from './problemText'
import { useSession } from './useSession'
import { api } from '@/api/client'
import { vFocus } from '@/shell/focus'
import { words } from '@/words'

/** Changes one's own password; afterwards this browser signs in anew, all others have to. */
const router = useRouter()
const session = useSession()
const text = words.password
const present = ref('')
const next = ref('')
const problem = ref('')
const busy = ref(false)

async function submit() {
  busy.value = true
  problem.value = ''
  const name = session.person!.name
  try {
    await api.changePassword(present.value, next.value)
    await session.signIn(name, next.value)
    await router.push('/reports')
  } catch (e) {
    problem.value = problemText(e as Error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <EntryCard :title="text.title" :lead="text.lead" :problem="problem" @submit="submit">
    <label for="present">{{ text.present }}</label>
    <InputText id="present" v-model="present" v-focus type="password" autocomplete="current-password" />
    <label for="next">{{ text.next }}</label>
    <InputText id="next" v-model="next" type="password" autocomplete="new-password" />
    <small>{{ text.rule }}</small>
    <template #actions>
      <Button type="submit" :label="text.submit" :loading="busy" />
    </template>
  </EntryCard>
</template>
