import type { Report } from '@/api/client'

/** Reports that are begun and not on record yet: this tab alone knows them, over a reload too. */
const key = (id: string) => `grammatus.new.${id}`

export function begin(report: Report): void {
  sessionStorage.setItem(key(report.id), JSON.stringify(report))
}

export function begun(id: string): Report | undefined {
  const kept = sessionStorage.getItem(key(id))
  return kept === null ? undefined : (JSON.parse(kept) as Report)
}

export function onRecord(id: string): void {
  sessionStorage.removeItem(key(id))
}
