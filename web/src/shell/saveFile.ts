import type { NamedFile } from '@/api/client'

/** Hands a file to the browser's downloads. */
export function saveFile({ name, content }: NamedFile): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  // The browser reads the content after the click has returned.
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}
