<script setup lang="ts">
import { useRoute } from 'vue-router'
import { words } from '@/words'

/** What stands at an address that leads to nothing, or to what this person may not do. */
defineProps<{ reason: 'unknown' | 'forAuthors' | 'forAdministrators' }>()
const text = words.missing
const route = useRoute()
</script>

<template>
  <main class="missing">
    <h1>{{ text[reason].title }}</h1>
    <p>{{ text[reason].lead }}</p>
    <ul>
      <li v-if="reason === 'forAuthors' && route.query.report">
        <RouterLink :to="{ name: 'run', params: { id: String(route.query.report) } }">{{
          text.run
        }}</RouterLink>
      </li>
      <li>
        <RouterLink to="/reports">{{ text.library }}</RouterLink>
      </li>
    </ul>
  </main>
</template>

<style scoped>
.missing {
  margin: 12vh auto 0;
  padding: 0 1.5rem;
  max-width: 36rem;
}
h1 {
  font-size: 1.4rem;
  margin: 0 0 0.5rem;
}
ul {
  padding-left: 1.1rem;
  line-height: 1.8;
}
</style>
