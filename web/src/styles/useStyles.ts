import { shallowRef } from 'vue'
import { api, type StyleLine } from '@/api/client'

const styles = shallowRef<StyleLine[]>([])

/** The house styles of the installation, loaded once and again when one is saved. */
export function useStyles() {
  async function load() {
    styles.value = await api.styles()
  }
  if (!styles.value.length) {
    // Whoever is offered none chooses none; the screen of styles tells why.
    void load().catch(() => {})
  }

  /** The style of a report; the usual one where it names none that is there. */
  const styleOf = (id?: string) => styles.value.find((one) => one.id === id) ?? styles.value[0]

  return { styles, styleOf, load }
}
