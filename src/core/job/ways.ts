/** The habits of the trade (field-work.md 6 to 9) as ways to order checks, and the free choice among all of them. */
export const waysOfWorking = ['free', 'take-off', 'add-on', 'halve', 'ohms', 'numbers'] as const

export type WayOfWorking = (typeof waysOfWorking)[number]

export const sayWay: Record<WayOfWorking, { readonly name: string; readonly say: string }> = {
  free: { name: 'free choice', say: 'Whatever check tells the most per minute.' },
  'take-off': { name: 'take off', say: 'Join R to every call, then take calls off one by one until it holds.' },
  'add-on': { name: 'add on', say: 'Add one call after another until it trips.' },
  halve: {
    name: 'halve',
    say: 'Outdoor cable off first, then the stat cable, then the thermostat: the section that makes it hold is the one.',
  },
  ohms: { name: 'ohms only', say: 'Power off throughout: conductors and parts on the ohmmeter.' },
  numbers: { name: 'by the numbers', say: 'Supply, then R to C, then every call, unit by unit, as the terminals stand.' },
}
