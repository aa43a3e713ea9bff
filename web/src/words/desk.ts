/** What stands around the work on a desk. */
export const desk = {
  parts: 'What the report is made of',
  selected: 'What is selected',
  fold: (panel: string) => `Fold away: ${panel}`,
  open: (panel: string) => `Open: ${panel}`,
  width: (panel: string) => `Width of: ${panel}`,
}
