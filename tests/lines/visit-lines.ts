import { fill, kinds, placeOf, pumps, type Speaker, standing, wordFor } from '@/tests/lines/speech'

/** Feet, power, calls, protection, jumpers, panels. */
export const act: Speaker = (random) => {
  const system = random.pick(pumps)
  const here = random.pick(kinds)
  const there = random.pick(kinds.filter((kind) => kind !== here))
  const to = wordFor(system, there, random)
  const [means, ...forms] = random.pick([
    [
      `walk ${placeOf(system, there)}`,
      `walk to the ${to}`,
      `at the ${to} now`,
      `went to the ${to}`,
      `going to the ${to}`,
      `I'm at the ${to}`,
      `headed to the ${to}`,
    ],
    ['power off', 'power off', 'killed the power', 'cut power', 'power is off', 'shut the power off', 'turned off the power'],
    ['call cool', 'call for cool', 'calling for cooling', 'set to cool', 'call cool', 'turned on cool', 'cool call'],
    ['call heat', 'call for heat', 'calling heat', 'set it to heat', 'heat call', 'called for heat'],
    ['call fan', 'fan on', 'call fan', 'turn the fan on', 'set the fan to on'],
    ['call off', 'call off', 'thermostat set to off', 'turned the stat off', 'cancel the call', 'no call'],
    ['breaker in', 'breaker in', 'put the breaker in', 'put a breaker in', 'breaker is in', 'stuck a breaker in the slot'],
    ['breaker 3 in', '3 amp breaker in', 'put a 3 amp breaker in', 'installed a 3 amp breaker', 'put in a 3A breaker'],
    ['fuse 3 in', 'put in a 3 amp fuse', 'new 3 amp fuse', '3A fuse in', 'new 3 amp fuse in'],
    ['undo', 'undo', 'undo that', 'scratch that', 'oops', 'never mind'],
  ])
  return { system, before: standing(system, here), said: random.pick(forms), means }
}

export const jumper: Speaker = (random) => {
  const system = random.pick(pumps)
  const here = random.pick(['indoor', 'thermostat'] as const)
  const letter = random.pick(['Y', 'G', 'W'])
  return {
    system,
    before: standing(system, here, true),
    said: fill(
      random.pick([
        'jumper R to {l}',
        'jumped R and {l}',
        'tied R to {l}',
        'R to {l} jumper',
        'jumper from R to {l}',
        'jumped R to {l}',
        'connected R and {l} together',
      ]),
      { l: letter },
    ),
    means: `jumper R ${letter}`,
  }
}

/** The line side. */
export const line: Speaker = (random) => {
  const [system, volts, means] = random.pick([
    ['furnace-ac', '121', 'L1-unit-N 121 V'],
    ['furnace-ac', '0', 'L1-unit-N 0 V'],
  ] as const)
  const forms =
    volts === '0'
      ? ['no volts on the primary', 'primary dead', 'nothing on the primary', 'primary 0', 'no line voltage']
      : [
          'primary {v}',
          '{v} on the primary',
          'primary has {v}',
          '{v} at the transformer primary',
          '{v} hot to neutral',
          'line {v}',
          '{v} volts line side',
        ]
  return { system, before: standing(system, 'indoor'), said: fill(random.pick(forms), { v: volts }), means }
}

export const secondary: Speaker = (random) => {
  const system = random.pick(pumps)
  const value = random.pick(['26.8', '0', '19'])
  const forms =
    value === '0'
      ? ['no volts on the secondary', 'secondary dead', 'nothing on the secondary', 'transformer has no output']
      : ['secondary {v}', '{v} on the secondary', 'secondary reads {v} volts', '{v} out of the transformer', 'xfmr secondary {v}']
  return { system, before: standing(system, 'indoor'), said: fill(random.pick(forms), { v: value }), means: `sec-C ${value} V` }
}

/** What was found on the wiring. */
export const mark: Speaker = (random) => {
  const [word, ...forms] = random.pick([
    [
      'rubbed outdoor cable',
      'outdoor cable is rubbed',
      'rub mark on the outdoor cable',
      'rubbed through on the outdoor cable',
      'outdoor cable rubbed through',
    ],
    [
      'chewed outdoor cable',
      'outdoor cable is chewed',
      'mice chewed the outdoor cable',
      'outdoor cable got chewed',
      'chewed up outdoor cable',
    ],
    ['stapled stat cable', 'staple through the stat cable', 'stat cable is stapled', 'nail through the stat cable'],
    ['bare outdoor Y', 'bare copper on outdoor Y', 'outdoor Y is rubbed bare', 'copper showing on outdoor Y'],
    ['sound outdoor cable', 'outdoor cable looks good', 'no damage on the outdoor cable', 'outdoor cable is fine'],
  ])
  return { system: random.pick(pumps), before: [], said: random.pick(forms), means: word }
}
