<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from './session/useSession'
import TopBar from './shell/TopBar.vue'

const route = useRoute()
const session = useSession()
const showsBar = computed(
  () => !['sign-in', 'set-up'].includes(String(route.name)) && session.person !== undefined,
)
</script>

<template>
  <TopBar v-if="showsBar" />
  <RouterView :key="String(route.params.id ?? route.name)" />
</template>
