import type { AnnotationOptions } from 'chartjs-plugin-annotation'

interface Colours {
  readonly ink: string
  readonly ground: string
}

/** A dashed line across a chart at one value, with its name in a box. */
export function markAt(
  axis: 'x' | 'y',
  value: number,
  content: string,
  position: 'start' | 'end',
  colours: Colours,
  font: { family: string; size: number },
): AnnotationOptions {
  return {
    type: 'line',
    ...(axis === 'x' ? { xMin: value, xMax: value } : { yMin: value, yMax: value }),
    borderColor: colours.ink,
    borderWidth: 2,
    borderDash: [4, 4],
    label: { display: true, content, position, color: colours.ground, backgroundColor: colours.ink, font },
  }
}
