import { inject, type InjectionKey, type Ref } from 'vue'
import type { Offers, ReportEdit } from '@/api/client'

/**
 * Asks for a named edit of the block that is worked on, under the name by which it is undone.
 *
 * @param key of edits of which only the newest counts: typing
 * @returns whether it was made
 */
export type AskEdit = (name: string, edit: ReportEdit, key?: string) => Promise<boolean>

export const ASK_EDIT: InjectionKey<AskEdit> = Symbol('named edits')
export const OFFERS: InjectionKey<Readonly<Ref<Offers | undefined>>> = Symbol('what can be done next')

/** What the report at hand calls a field, in whichever of its places. */
export const IN_REPORT: InjectionKey<(field: string) => string[]> = Symbol('names of fields in the report')

export const useAskEdit = (): AskEdit => inject(ASK_EDIT)!

/** What can be done next with the block that is worked on, as the server says with every preview. */
export const useOffers = () => inject(OFFERS)!
