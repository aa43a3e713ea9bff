import { folded } from './folded'
import { words } from '@/words'

/** A name that an expression may use, and what people call it. */
export interface ExpressionName {
  id: string
  label: string
}

export interface Offer {
  text: string
  about: string
}

/** Labels of more words are begun, not typed out. */
const MOST_WORDS = 4

/** What the end of an expression may become: the longest run of words that some name or label holds, and those that hold it. */
export function completions(before: string, names: ExpressionName[]): { typed: string; offers: Offer[] } {
  const all = [
    ...names.map((name) => ({ text: name.id, about: name.label })),
    ...Object.entries(words.data.functions).map(([text, about]) => ({ text, about })),
  ]
  for (const typed of endings(before)) {
    const offers = fitting(all, folded(typed))
    if (offers.length > 0) {
      return { typed, offers }
    }
  }
  return { typed: '', offers: [] }
}

/** The runs of words at the end, the longest first. */
function endings(before: string): string[] {
  const words =
    /(?:[:\p{L}_][\p{L}\p{N}_]*[ ]){0,3}[:\p{L}_][\p{L}\p{N}_]*$/u.exec(before)?.[0].split(' ') ?? []
  return words.slice(0, MOST_WORDS).map((_, i) => words.slice(i).join(' '))
}

function fitting(all: Offer[], typed: string): Offer[] {
  const fits = (text: string) => folded(text).includes(typed)
  const rank = (offer: Offer) =>
    folded(offer.text).startsWith(typed) || folded(offer.about).startsWith(typed) ? 0 : 1
  const isTyped = (offer: Offer) => folded(offer.text) === typed
  return all.some(isTyped) && !typed.includes(' ')
    ? all.filter((offer) => !isTyped(offer) && folded(offer.text).startsWith(typed))
    : all.filter((offer) => fits(offer.text) || fits(offer.about)).sort((a, b) => rank(a) - rank(b))
}
