import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'
import { useEffect, useState } from 'react'

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
  Tooltip,
  Legend,
)

/**
 * The page's own colours and face, read where the theme sets them; another theme makes new ones.
 */
export function useChartLook(): Readonly<
  Record<
    | 'ink'
    | 'ink-2'
    | 'ink-3'
    | 'hair'
    | 'rule'
    | 'cold'
    | 'hot'
    | 'stop'
    | 'look'
    | 'pencil'
    | 'paper'
    | 'sheet'
    | 'select',
    string
  >
> {
  const read = () => {
    const style = getComputedStyle(document.documentElement)
    const of = (name: string) => style.getPropertyValue(`--${name}`).trim()
    return {
      ink: of('ink'),
      'ink-2': of('ink-2'),
      'ink-3': of('ink-3'),
      hair: of('hair'),
      rule: of('rule'),
      cold: of('cold'),
      hot: of('hot'),
      stop: of('stop'),
      look: of('look'),
      pencil: of('pencil'),
      paper: of('paper'),
      sheet: of('sheet'),
      select: of('select'),
    }
  }
  const [look, setLook] = useState(read)
  useEffect(() => {
    const observer = new MutationObserver(() => setLook(read()))
    observer.observe(document.documentElement, {
      attributes: true,
      attributeFilter: ['data-theme'],
    })
    return () => observer.disconnect()
  }, [])
  return look
}

export const chartFont = { family: "'Atkinson Hyperlegible Next Variable', sans-serif", size: 14 }
/** Nothing moves by itself; a chart is there or not. */
export const still = { animation: false, responsive: true, maintainAspectRatio: false } as const
/** Dashes that tell lines apart without colour. */
export const dashes: readonly (readonly number[])[] = [[], [7, 4], [2, 3], [10, 3, 2, 3], [1, 5]]
