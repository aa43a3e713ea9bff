/** What stands around the work on a desk. */
export const desk = {
  parts: 'Contents of the report',
  selected: 'Settings of the selection',
  fold: (panel: string) => `Hide: ${panel}`,
  open: (panel: string) => `Show: ${panel}`,
  width: (panel: string) => `Width of: ${panel}`,
}
