export const symptoms = [
  'blank-thermostat',
  'nothing-runs',
  'never-stops',
  'fuse-at-power-up',
  'fuse-on-call',
  'fuse-now-and-then',
  'mode-dead',
  'half-works',
  'chatters',
  'code',
  'smell',
] as const

export const changesLately = ['garden-work', 'new-thermostat', 'new-equipment', 'earlier-repair', 'rodents', 'storm'] as const
