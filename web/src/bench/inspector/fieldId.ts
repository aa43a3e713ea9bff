import type { InjectionKey } from 'vue'

/** The id by which a field's label finds its input. */
export const FIELD_ID: InjectionKey<string> = Symbol('field id')
