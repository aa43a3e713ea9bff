<script setup lang="ts">
import { inject } from 'vue'
import { EXPRESSION_NAMES } from './expressionNames'
import ExpressionInput from '@/shell/ExpressionInput.vue'

/** An expression of the report, or a text with some in braces; an emptied one is none. */
defineProps<{ invalid?: boolean; placeholder?: string; inText?: boolean }>()
const text = defineModel<string | undefined>({ required: true })
const names = inject(EXPRESSION_NAMES)!
</script>

<template>
  <ExpressionInput
    v-model="text"
    :names="names"
    :invalid="invalid"
    :placeholder="placeholder"
    :in-text="inText"
  />
</template>
