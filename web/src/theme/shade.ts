import { ref } from 'vue'

const KEY = 'grammatus.shade'

function preferred(): boolean {
  const chosen = localStorage.getItem(KEY)
  return chosen === null ? matchMedia('(prefers-color-scheme: dark)').matches : chosen === 'dark'
}

/** Whether the shell is dark; the paper stays paper. */
export const dark = ref(preferred())

export function applyShade(): void {
  document.documentElement.classList.toggle('dark', dark.value)
}

export function toggleShade(): void {
  dark.value = !dark.value
  localStorage.setItem(KEY, dark.value ? 'dark' : 'light')
  applyShade()
}
