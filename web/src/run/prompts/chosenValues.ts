/** Stands for rows without a value, as answers write it. */
export const NONE = '(none)'
const ALL_BUT = 'all but '

/** Several chosen values, or all others. */
export interface Chosen {
  values: string[]
  except: boolean
}

/** Reads several values as answers write them: separated by commas or lines, in double quotes where they have such themselves. */
export function chosenOf(answer: string): Chosen {
  const text = answer.trim()
  const except = text.toLowerCase().startsWith(ALL_BUT)
  return { values: [...new Set(items(except ? text.slice(ALL_BUT.length) : text))], except }
}

/** Writes them so that they read back; nothing where nothing is chosen. */
export function answerOf({ values, except }: Chosen): string {
  return values.length ? `${except ? ALL_BUT : ''}${values.map(quoted).join(', ')}` : ''
}

function items(text: string): string[] {
  const parts = text.matchAll(/\s*"((?:[^"]|"")*)"\s*(?:[,\n\r\t]|$)|([^,\n\r\t]+)/g)
  return [...parts]
    .map(([, inQuotes, plain]) => inQuotes?.replaceAll('""', '"') ?? plain!.trim())
    .filter((value) => value !== '')
}

const quoted = (value: string) =>
  value !== NONE && (/[,"\n\r\t]|^\s|\s$/.test(value) || value.toLowerCase().startsWith(ALL_BUT))
    ? `"${value.replaceAll('"', '""')}"`
    : value
