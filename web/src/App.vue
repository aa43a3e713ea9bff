<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from './session/useSession'
import { asking } from './shell/useUnsaved'
import TopBar from './shell/TopBar.vue'

// Only those who make datasets ever see it.
const UnsavedDialog = defineAsyncComponent(() => import('./shell/UnsavedDialog.vue'))
const route = useRoute()
const session = useSession()
const showsBar = computed(
  () => !['sign-in', 'set-up'].includes(String(route.name)) && session.person !== undefined,
)
</script>

<template>
  <TopBar v-if="showsBar" />
  <UnsavedDialog v-if="asking" />
  <RouterView :key="String(route.params.id ?? route.name)" />
</template>
