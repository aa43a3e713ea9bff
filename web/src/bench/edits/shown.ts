import type { ReportEdit, Total } from '@/api/client'

/** What a total shows, as one word: what is made of it, or with what it is compared and how that is shown. */
export type ShownAs = Extract<ReportEdit, { edit: 'show-total-as' }>['as']

export const shownAs = (total: Total): ShownAs =>
  (total.compare ? `${total.compare.with}-${total.compare.shown}` : (total.shown ?? 'value')) as ShownAs
