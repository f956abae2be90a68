/** Entries that go over the wire at once: an outbox sends more than these in pieces. Apart from the schemas, which a page has later. */
export const MOST_ENTRIES_SENT = 200
