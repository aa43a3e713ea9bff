<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import WordMark from './WordMark.vue'
import { useSession } from '@/session/useSession'
import { dark, toggleShade } from '@/theme/shade'
import { words } from '@/words'

const session = useSession()
const route = useRoute()
const router = useRouter()
const place = computed(() =>
  route.name === 'sources' || route.name === 'styles'
    ? route.name
    : route.name === 'data' || route.name === 'compose'
      ? 'data'
      : 'reports',
)
const businessDate = computed(() => {
  const date = session.person?.businessDate
  return date
    ? new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(date))
    : ''
})

async function signOut() {
  await session.signOut()
  await router.push({ name: 'sign-in' })
}
</script>

<template>
  <header v-if="session.person" class="bar">
    <RouterLink to="/reports" class="home" aria-label="Grammatus, all reports"><WordMark /></RouterLink>
    <nav v-if="session.person.role !== 'READER'" class="places" :aria-label="words.bar.places">
      <RouterLink to="/reports" :class="{ here: place === 'reports' }">{{ words.bar.library }}</RouterLink>
      <RouterLink to="/data" :class="{ here: place === 'data' }">{{ words.bar.dataScreen }}</RouterLink>
      <RouterLink to="/styles" :class="{ here: place === 'styles' }">{{ words.bar.styles }}</RouterLink>
      <RouterLink
        v-if="session.person.role === 'ADMINISTRATOR'"
        to="/sources"
        :class="{ here: place === 'sources' }"
        >{{ words.bar.sources }}</RouterLink
      >
    </nav>
    <span class="data">
      <span>{{ words.bar.data(session.person.source, session.person.demo) }}</span>
      <span>{{ words.bar.businessDate(businessDate) }}</span>
    </span>
    <RouterLink to="/password" class="person" :title="words.password.title"
      >{{ session.person.displayName
      }}<span class="visually-hidden">, {{ words.password.title }}</span></RouterLink
    >
    <Button
      :icon="dark ? 'pi pi-sun' : 'pi pi-moon'"
      :aria-label="dark ? words.bar.light : words.bar.dark"
      :title="dark ? words.bar.light : words.bar.dark"
      text
      severity="secondary"
      @click="toggleShade"
    />
    <Button :label="words.bar.signOut" text severity="secondary" @click="signOut" />
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  height: 48px;
  padding: 0 1rem;
  background: var(--panel);
  border-bottom: 1px solid var(--line);
  flex: none;
}
.home {
  display: flex;
}
.places {
  display: flex;
  gap: 1rem;
  margin-left: 0.5rem;
}
.places a {
  color: var(--quiet);
  text-decoration: none;
  padding: 0.3rem 0;
  border-bottom: 2px solid transparent;
}
.places a.here {
  color: var(--ink);
  border-bottom-color: var(--accent);
}
.data {
  display: flex;
  gap: 1rem;
  margin-left: 1rem;
  flex: 1;
  color: var(--quiet);
  white-space: nowrap;
  overflow: hidden;
}
.person {
  font-weight: 600;
  white-space: nowrap;
  color: inherit;
}
@media (max-width: 800px) {
  .person {
    display: none;
  }
}
@media (max-width: 480px) {
  .bar {
    gap: 0.3rem;
    padding: 0 0.4rem;
  }
  .places {
    gap: 0.55rem;
    margin: 0 auto 0 0;
    font-size: 0.95rem;
  }
  .data {
    display: none;
  }
  .bar :deep(.p-button) {
    padding-inline: 0.3rem;
    flex: none;
    white-space: nowrap;
  }
  .home {
    flex: none;
    margin-right: auto;
  }
  /* Beside the places there is room for the brace alone. */
  .bar:has(.places) .home {
    width: 1rem;
    margin-right: 0;
    overflow: hidden;
  }
  .home :deep(.word-mark) {
    flex: none;
  }
}
</style>
