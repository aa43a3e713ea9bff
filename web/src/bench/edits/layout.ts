/** A layout with one choice made otherwise; one that says nothing any more is left out. */
export function laidOut<T extends object, K extends keyof T>(
  layout: T | undefined,
  key: K,
  value: T[K] | undefined,
): T | undefined {
  const said = Object.entries({ ...layout, [key]: value }).filter(
    ([, one]) => one !== undefined && one !== null && one !== false && one !== '',
  )
  return said.length ? (Object.fromEntries(said) as T) : undefined
}
