/** As insulation is called; `unknown` until somebody has looked. */
export const conductorColours = [
  'red',
  'green',
  'yellow',
  'white',
  'blue',
  'brown',
  'orange',
  'black',
  'grey',
  'violet',
  'pink',
  'tan',
  'unknown',
] as const

/** What nobody has looked at yet: weighed as unknown, not taken for granted. */
export const unknownThings = ['fuse', 'float', 'common', 'board'] as const
