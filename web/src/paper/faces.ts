/** The families that come along, which the page's style sheet knows. */
const SHIPPED = [
  'base',
  'wide',
  'hebrew',
  'arabic',
  'thai',
  'armenian',
  'georgian',
  'symbols',
  'han',
  'korean',
]
const WEIGHTS = { regular: '400', semibold: '600' }
const offered = new Set<string>(SHIPPED)

/**
 * The font that texts of a family are drawn in. One that was added is loaded when something is first set in it, with the rise and fall of
 * the usual one: where a text stands is the page's affair, not the face's.
 */
export function fontOf(family: string): string {
  const name = family === 'base' ? 'Report' : `Report ${family}`
  if (!offered.has(family)) {
    offered.add(family)
    for (const [weight, number] of Object.entries(WEIGHTS)) {
      const source = `url('/api/faces/${encodeURIComponent(family)}/${weight}')`
      document.fonts.add(
        new FontFace(name, source, {
          weight: number,
          ascentOverride: '102.4%',
          descentOverride: '40%',
          lineGapOverride: '0%',
        }),
      )
    }
  }
  return `'${name}'`
}
