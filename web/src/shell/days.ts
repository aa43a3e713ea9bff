/*
 * Days between the component library's calendar, which has dates of its own, and the rest of the program, which has ISO 8601 days. Only the
 * year, month and day that a date shows are taken: no zone is crossed.
 */

/** A day as the calendar has it; nothing for an open end. */
export function shownDay(iso: string | undefined): Date | null {
  const [year, month, day] = (iso ?? '').split('-').map(Number)
  return year && month && day ? new Date(year, month - 1, day) : null
}

/** A day that the calendar shows, as ISO 8601 writes it. */
export function isoDay(shown: Date): string {
  const two = (number: number) => String(number).padStart(2, '0')
  return `${String(shown.getFullYear()).padStart(4, '0')}-${two(shown.getMonth() + 1)}-${two(shown.getDate())}`
}
