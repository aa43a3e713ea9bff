import type { Directive } from 'vue'

/** Puts the keyboard into a field as soon as it stands: `autofocus` alone may come a frame later, after the first keys. */
export const vFocus: Directive<HTMLElement> = { mounted: (element) => element.focus() }
