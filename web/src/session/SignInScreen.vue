<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import EntryCard from './EntryCard.vue'
import { useSession } from './useSession'
import { vFocus } from '@/shell/focus'
import { words } from '@/words'

const session = useSession()
const router = useRouter()
const route = useRoute()
const name = ref('')
const password = ref('')
const problem = ref('')
const busy = ref(false)

async function submit() {
  problem.value = name.value && password.value ? '' : words.signIn.missing
  if (problem.value) {
    return
  }
  busy.value = true
  try {
    await session.signIn(name.value, password.value)
    const next = route.query.next
    await router.push(typeof next === 'string' && next.startsWith('/') ? next : '/reports')
  } catch (e) {
    problem.value = (e as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <EntryCard :title="words.signIn.title" :lead="words.signIn.tagline" :problem="problem" @submit="submit">
    <label for="name">{{ words.signIn.name }}</label>
    <InputText id="name" v-model="name" v-focus autocomplete="username" />
    <label for="password">{{ words.signIn.password }}</label>
    <InputText id="password" v-model="password" type="password" autocomplete="current-password" />
    <template #actions>
      <Button type="submit" :label="words.signIn.submit" :loading="busy" />
    </template>
  </EntryCard>
</template>
