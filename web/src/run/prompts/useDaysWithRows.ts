import { reactive, watch } from 'vue'
import type { PromptProps } from './promptProps'

/** Which days have rows, given the answers above: looked up month by month, as a calendar comes to show them. */
export function useDaysWithRows(props: PromptProps) {
  const days = reactive(new Set<string>())
  const months = new Set<string>()

  const two = (number: number) => String(number).padStart(2, '0')

  async function lookUp(month: string) {
    const found = await props.source.choices(props.prompt.name, props.answers, month).catch(() => [])
    if (months.has(month)) {
      found.forEach((day) => days.add(day.value))
    }
  }

  watch(
    () => JSON.stringify({ ...props.answers, [props.prompt.name]: '' }),
    () => {
      months.clear()
      days.clear()
    },
  )

  /** @param date its month from 0, as the calendar has it */
  return (date: { year: number; month: number; day: number }) => {
    const month = `${date.year}-${two(date.month + 1)}-`
    if (!months.has(month)) {
      months.add(month)
      void lookUp(month)
    }
    return days.has(month + two(date.day))
  }
}
