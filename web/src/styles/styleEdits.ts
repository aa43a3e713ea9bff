import type { HouseStyle, MarkLook, StyleParts } from '@/api/client'

/** Edits of a style: one pure function each. What a style does not say is as in the one that all stand on. */

type Section = 'inks' | 'rules' | 'spacing' | 'figures'
type Text = NonNullable<StyleParts['texts']>[number]

function withoutEmpty<T extends object>(part: T): T | undefined {
  const said = Object.entries(part).filter(([, value]) => value !== undefined)
  return said.length ? (Object.fromEntries(said) as T) : undefined
}

const withLook = (style: HouseStyle, look: StyleParts): HouseStyle => ({
  ...style,
  look: withoutEmpty(look) ?? {},
})

/** Says one thing, or leaves it to the standard style. */
export function said<S extends Section, K extends keyof NonNullable<StyleParts[S]>>(
  style: HouseStyle,
  section: S,
  key: K,
  value: NonNullable<StyleParts[S]>[K] | undefined,
): HouseStyle {
  const part = withoutEmpty({ ...style.look[section], [key]: value })
  return withLook(style, { ...style.look, [section]: part })
}

/** Says how one kind of text looks; one of which nothing is said any more is left out. */
export function saidOfText(style: HouseStyle, of: Text['of'], change: Partial<Text>): HouseStyle {
  const before = style.look.texts ?? []
  const changed = withoutEmpty({ ...before.find((one) => one.of === of), ...change, of })!
  const others = before.filter((one) => one.of !== of)
  const texts = Object.keys(changed).length > 1 ? [...others, changed] : others
  return withLook(style, { ...style.look, texts: texts.length ? texts : undefined })
}

/** Changes the looks of highlights; they are given together, or not at all. */
export function withMarks(style: HouseStyle, marks: MarkLook[] | undefined): HouseStyle {
  return withLook(style, { ...style.look, marks })
}

/** Sets the picture beside titles, or takes it away. */
export function withLogo(style: HouseStyle, logo: StyleParts['logo']): HouseStyle {
  return withLook(style, { ...style.look, logo })
}

/** Says what stands in one part of an edge of pages; an empty text says nothing. */
export function withEdge(
  style: HouseStyle,
  edge: keyof NonNullable<StyleParts['edges']>,
  part: 'start' | 'centre' | 'end',
  text: string,
): HouseStyle {
  const line = withoutEmpty({ ...style.look.edges?.[edge], [part]: text || undefined })
  return withLook(style, { ...style.look, edges: withoutEmpty({ ...style.look.edges, [edge]: line }) })
}

/** Sets all texts in a face. */
export function withFace(style: HouseStyle, face: string): HouseStyle {
  return withLook(style, { ...style.look, face })
}

/** An id that goes with a name and that nothing else has. */
export function idOfName(name: string, taken: string[], otherwise = 'face'): string {
  const plain = name
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 50)
  const base = plain || otherwise
  let id = base
  for (let n = 2; taken.includes(id); n++) {
    id = `${base}-${n}`
  }
  return id
}

/** The same style under another name, and the id that goes with it. */
export function calledAnew(style: HouseStyle, name: string, taken: string[]): HouseStyle {
  return { ...style, id: idOfName(name, taken, 'style'), name }
}

/** Paths in which a report says otherwise than its style: "inks: text". */
export function saidParts(look: StyleParts | undefined): string[] {
  return Object.entries(look ?? {}).flatMap(([section, part]) =>
    Array.isArray(part) || typeof part === 'string'
      ? [section]
      : Object.keys(part as object).map((key) => `${section}: ${key}`),
  )
}
