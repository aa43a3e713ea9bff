import type { Directive } from 'vue'

/** Puts the keyboard into a field when its screen opens. */
export const vFocus: Directive<HTMLElement> = { mounted: (element) => element.focus() }
