/** Fiscal calendars. */
const MONTHS = Array.from({ length: 12 }, (_, i) =>
  new Intl.DateTimeFormat('en-GB', { month: 'long', timeZone: 'UTC' }).format(Date.UTC(2025, i, 1)),
)

const day = (iso: string) =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(iso))

export const calendar = {
  title: 'Fiscal calendar',
  installation: 'Fiscal calendar of this installation',
  lead: 'For every dataset that has none of its own.',
  months: MONTHS,
  start: 'Fiscal years start in',
  named: 'They are called by',
  names: { BOTH: 'both calendar years', START: 'the year they start in', END: 'the year they end in' },
  sample: (year: string, from: string) => `The current one is ${year} and began on ${day(from)}.`,
  own: 'Own calendar',
  starts: (month: string, own: boolean) =>
    `Fiscal years start in ${month}${own ? ', here' : ', as everywhere'}.`,
  change: 'Change the calendar',
  save: 'Save the calendar',
  holidays: 'Holidays',
  holidaysLead: 'One day per line. Working days are all days but these and weekends.',
  holidaysExample: '2026-12-25\n2026-12-26',
  saveHolidays: 'Save the holidays',
  saved: 'Saved.',
  cancel: 'Cancel',
}
