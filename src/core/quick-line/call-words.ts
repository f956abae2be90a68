/** Calls by the words that people have for them, and as the record names them. */
export const callWords: ReadonlyMap<string, string> = new Map([
  ['cooling', 'cool'],
  ['cold', 'cool'],
  ['ac', 'cool'],
  ['heating', 'heat'],
  ['blower', 'fan'],
  ['the fan', 'fan'],
  ['fan only', 'fan'],
  ['emergency heat', 'emergency'],
  ['e-heat', 'emergency'],
  ['em heat', 'emergency'],
  ['em', 'emergency'],
  ['aux', 'heat-2'],
  ['aux heat', 'heat-2'],
  ['auxiliary', 'heat-2'],
  ['strips', 'heat-2'],
  ['second stage', 'cool-2'],
])
