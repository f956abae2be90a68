/** Units of a reading as they are typed and said: what a number is times, and what was measured. */
export const unitsOfReading: ReadonlyMap<string, readonly [number, 'volts' | 'ohms']> = new Map([
  ['v', [1, 'volts']],
  ['volt', [1, 'volts']],
  ['volts', [1, 'volts']],
  ['mv', [0.001, 'volts']],
  ['vac', [1, 'volts']],
  ['ohm', [1, 'ohms']],
  ['ohms', [1, 'ohms']],
  ['k', [1e3, 'ohms']],
  ['kohm', [1e3, 'ohms']],
  ['m', [1e6, 'ohms']],
  ['meg', [1e6, 'ohms']],
  ['megs', [1e6, 'ohms']],
  ['megohm', [1e6, 'ohms']],
  ['megohms', [1e6, 'ohms']],
  ['mohm', [1e6, 'ohms']],
])

/** No 24 V circuit reads that many volts: the lightest loaded transformer on a high line gives some 33. A decimal point was lost, or it is ohms. Assumption. */
export const NOT_24_V = 36
