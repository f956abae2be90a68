export const switchRoles = ['limit', 'rollout', 'high-pressure', 'low-pressure', 'float', 'door', 'draft'] as const

export const coilRoles = ['contactor', 'blower-relay', 'gas-valve', 'reversing-valve', 'sequencer', 'solenoid', 'damper', 'relay'] as const
