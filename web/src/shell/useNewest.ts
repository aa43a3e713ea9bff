import { shallowRef, type ShallowRef } from 'vue'

/** What the newest of several searches found; answers that come late are dropped, yet told to whoever asked for them. */
export function useNewest<T>(
  search: (text: string) => Promise<T[]>,
): [ShallowRef<T[]>, (text: string) => Promise<T[]>] {
  const found = shallowRef<T[]>([])
  let newest = 0
  return [
    found,
    async (text) => {
      const mine = ++newest
      const answer = await search(text).catch(() => [])
      if (mine === newest) {
        found.value = answer
      }
      return answer
    },
  ]
}
