<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from './useSession'
import { vFocus } from '@/shell/focus'
import WordMark from '@/shell/WordMark.vue'
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
  <main class="screen">
    <form class="card" :aria-label="words.signIn.title" @submit.prevent="submit">
      <WordMark class="mark" />
      <h1 class="visually-hidden">{{ words.signIn.title }}</h1>
      <p class="tagline">{{ words.signIn.tagline }}</p>
      <label for="name">{{ words.signIn.name }}</label>
      <InputText id="name" v-model="name" v-focus autocomplete="username" />
      <label for="password">{{ words.signIn.password }}</label>
      <InputText id="password" v-model="password" type="password" autocomplete="current-password" />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <Button type="submit" :label="words.signIn.submit" :loading="busy" />
    </form>
    <svg class="motif" viewBox="0 0 400 600" aria-hidden="true" preserveAspectRatio="xMaxYMid slice">
      <path
        v-for="depth in 4"
        :key="depth"
        :d="`M${150 + depth * 60} ${20 + depth * 22} c-46 0 -8 ${266 - depth * 22} -44 ${280 - depth * 22} c36 14 -2 ${280 - depth * 22} 44 ${280 - depth * 22}`"
        :style="{ stroke: `var(--level-${depth})` }"
      />
    </svg>
  </main>
</template>

<style scoped>
.screen {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(22rem, 5fr) 6fr;
  overflow: hidden;
}
.card {
  background: var(--panel);
  border-right: 1px solid var(--line);
  padding: 0 clamp(2rem, 7vw, 7rem);
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 0.5rem;
}
.mark {
  height: 40px;
  align-self: flex-start;
}
.tagline {
  margin: 0 0 1.5rem;
  color: var(--quiet);
  font-size: 1.1rem;
}
label {
  font-weight: 600;
}
input + label {
  margin-top: 0.5rem;
}
button {
  margin-top: 1rem;
  align-self: flex-start;
}
.problem {
  margin: 0.5rem 0 0;
  color: var(--danger);
}
.motif {
  width: 100%;
  height: 100%;
}
.motif path {
  fill: none;
  stroke-width: 3;
  stroke-linecap: round;
  opacity: 0.75;
}
@media (max-width: 700px) {
  .screen {
    grid-template-columns: 1fr;
  }
  .motif {
    display: none;
  }
}
</style>
