/** What a thermostat can ask for. */
export const callNames = ['fan', 'cool', 'cool-2', 'heat', 'heat-2', 'emergency'] as const
export type CallName = (typeof callNames)[number]

/** Calls as people say them. */
export const sayCall: Record<CallName, string> = {
  fan: 'fan',
  cool: 'cool',
  'cool-2': 'cool, second stage',
  heat: 'heat',
  'heat-2': 'heat, second stage',
  emergency: 'emergency heat',
}
