<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from './session/useSession'
import { returnFocus } from './shell/returnFocus'
import { asking } from './shell/useUnsaved'
import SkipLinks from './shell/SkipLinks.vue'
import TopBar from './shell/TopBar.vue'

// Only those who make datasets ever see it.
const UnsavedDialog = defineAsyncComponent(() => import('./shell/UnsavedDialog.vue'))
const route = useRoute()
const session = useSession()
const showsBar = computed(
  () => !['sign-in', 'set-up'].includes(String(route.name)) && session.person !== undefined,
)
returnFocus()
</script>

<template>
  <SkipLinks v-if="showsBar" />
  <TopBar v-if="showsBar" />
  <UnsavedDialog v-if="asking" />
  <RouterView :key="String(route.params.id ?? route.name)" />
</template>
