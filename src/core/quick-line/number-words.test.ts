import { figuresOf } from '@/src/core/quick-line/number-words'

it.each([
  ['zero point four ohms from Y to ground', '0.4 ohms from Y to ground'],
  ['point six ohms', '0.6 ohms'],
  ['twenty five point eight from R to C', '25.8 from R to C'],
  ['one point oh five amps', '1.05 amps'],
  ['two hundred eight volts line to line', '208 volts line to line'],
  ['two hundred and forty', '240'],
  ['one twenty at the switch', '120 at the switch'],
  ['two oh eight leg to leg', '208 leg to leg'],
  ['two seventy seven volts', '277 volts'],
  ['a five amp breaker', 'a 5 amp breaker'],
  ['twenty six volts between R and C', '26 volts between R and C'],
  ['the strips are pulling nineteen amps', 'the strips are pulling 19 amps'],
  // Counts, places and settings are none.
  ['took off two wires, one at a time', 'took off two wires, one at a time'],
  ['set point five below the room', 'set point five below the room'],
  ['ran for one twenty minutes', 'ran for one twenty minutes'],
  ['zone two is calling', 'zone two is calling'],
])('%s', (said, figures) => {
  expect(figuresOf(said)).toBe(figures)
})
