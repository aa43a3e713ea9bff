import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, ApiError, type Session } from '@/api/client'

/** Who is signed in, and on which data. */
export const useSession = defineStore('session', () => {
  const person = ref<Session>()
  let known = false

  async function load(): Promise<void> {
    if (known) {
      return
    }
    try {
      person.value = await api.session()
    } catch (e) {
      if (!(e instanceof ApiError)) {
        throw e
      }
      person.value = undefined
    }
    known = true
  }

  async function signIn(name: string, password: string): Promise<void> {
    await api.signIn(name, password)
    known = false
    await load()
  }

  async function signOut(): Promise<void> {
    await api.signOut()
    person.value = undefined
  }

  /** The session ended without our doing. */
  function ended(): void {
    person.value = undefined
  }

  return { person, load, signIn, signOut, ended }
})
