const { default: Sequencer } = require('@jest/test-sequencer')

/** The groups by how long they take, longest first: whatever came last would be waited for by itself. */
const groups = ['practice', 'planner-further', 'lines', 'core', 'planner', 'diagnosis', 'command', 'further']
const placeOf = ({ path }) => {
  const place = groups.findIndex((group) => path.endsWith(`tests/together/${group}.test.ts`))
  return place < 0 ? groups.length : place
}

/** A clean machine has no times of earlier runs to go by. */
module.exports = class extends Sequencer {
  sort(tests) {
    return [...super.sort(tests)].sort((a, b) => placeOf(a) - placeOf(b))
  }
}
