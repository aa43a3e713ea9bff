import { onMounted, onScopeDispose, ref } from 'vue'
import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router'

/** What stands on a screen and would be lost if it were left: asked about by the one dialog of the shell. */
export const asking = ref<(leaves: boolean) => void>()

function ask(): Promise<boolean> {
  return new Promise((resolve) => {
    asking.value = (leaves) => {
      asking.value = undefined
      resolve(leaves)
    }
  })
}

/** What on the screen knows of work that is not saved. */
const open = new Set<() => boolean>()

/** Whether what stands on the screen may be put away: asks where something would be lost. */
export function mayLeave(): Promise<boolean> {
  return [...open].some((isUnsaved) => isUnsaved()) ? ask() : Promise.resolve(true)
}

/**
 * Asks before work is left that was not saved, by a link, the browser's arrows or the tab's end.
 *
 * @param isUnsaved whether there is such work now
 */
export function useUnsaved(isUnsaved: () => boolean): void {
  open.add(isUnsaved)
  onBeforeRouteLeave(mayLeave)
  onBeforeRouteUpdate((to, from) => (to.params.id === from.params.id ? true : mayLeave()))
  // The browser asks in its own words where the tab is closed.
  const onClose = (event: BeforeUnloadEvent) => isUnsaved() && event.preventDefault()
  onMounted(() => window.addEventListener('beforeunload', onClose))
  onScopeDispose(() => {
    open.delete(isUnsaved)
    window.removeEventListener('beforeunload', onClose)
  })
}
