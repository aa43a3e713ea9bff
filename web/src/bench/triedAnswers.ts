import type { InjectionKey, Ref } from 'vue'
import type { Answers } from '@/api/client'

/** The answers with which a report is shown while it is edited; those not given take their defaults. */
export const TRIED_ANSWERS: InjectionKey<{ answers: Ref<Answers>; tryWith: (answers: Answers) => void }> =
  Symbol('tried answers')
