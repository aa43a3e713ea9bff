<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import EntryCard from './EntryCard.vue'
import { useSession } from './useSession'
import { problemText } from './problemText'
import { api } from '@/api/client'
import { vFocus } from '@/shell/focus'
import { words } from '@/words'

/** Makes the first account. The secret stands behind the # of the address, so that no server or proxy writes it down. */
const router = useRouter()
const session = useSession()
const secret = useRoute().hash.slice(1)
const text = words.setUp
const displayName = ref('')
const name = ref('')
const password = ref('')
const problem = ref(secret ? '' : text.noSecret)
const busy = ref(false)

async function submit() {
  busy.value = true
  problem.value = ''
  try {
    await api.setUp({
      secret,
      name: name.value,
      displayName: displayName.value,
      password: password.value,
    })
    await session.signIn(name.value, password.value)
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
    <label for="shown">{{ text.displayName }}</label>
    <InputText id="shown" v-model="displayName" v-focus autocomplete="name" />
    <label for="name">{{ text.name }}</label>
    <InputText id="name" v-model="name" autocomplete="username" />
    <label for="password">{{ words.signIn.password }}</label>
    <InputText id="password" v-model="password" type="password" autocomplete="new-password" />
    <small>{{ words.password.rule }}</small>
    <template #actions>
      <Button type="submit" :label="text.submit" :loading="busy" :disabled="!secret" />
    </template>
  </EntryCard>
</template>
