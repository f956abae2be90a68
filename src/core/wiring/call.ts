/** What a thermostat can ask for. */
export const callNames = ['fan', 'cool', 'cool-2', 'heat', 'heat-2', 'emergency', 'fan-zone-2', 'cool-zone-2', 'heat-zone-2'] as const
export type CallName = (typeof callNames)[number]

/** Calls as people say them. */
export const sayCall: Record<CallName, string> = {
  fan: 'fan',
  cool: 'cool',
  'cool-2': 'cool, second stage',
  heat: 'heat',
  'heat-2': 'heat, second stage',
  emergency: 'emergency heat',
  'fan-zone-2': 'fan, zone 2',
  'cool-zone-2': 'cool, zone 2',
  'heat-zone-2': 'heat, zone 2',
}
