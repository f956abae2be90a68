import { crc32 } from 'node:zlib'

/**
 * One record of the journal on disk: a mark, the payload's length, the checksum of both, the payload (JSON, UTF-8). The mark lets a
 * reader find the next record behind a damaged one.
 */
const MARK = Buffer.from('NTJ1')
const HEAD = 12

export function encodeRecord(value: unknown): Buffer {
  const payload = Buffer.from(JSON.stringify(value))
  const record = Buffer.alloc(HEAD + payload.length)
  MARK.copy(record)
  record.writeUInt32LE(payload.length, 4)
  record.writeUInt32LE(checksum(payload), 8)
  payload.copy(record, HEAD)
  return record
}

/** The length is in it: a record of zeros is none. */
const checksum = (payload: Buffer): number => crc32(payload, payload.length)

export interface Scan {
  readonly values: readonly unknown[]
  /** Bytes up to the end of the last whole record before any damage. */
  readonly whole: number
  /** `torn`: what follows is the beginning of one record that was never acknowledged. `damaged`: whole records follow behind it. */
  readonly end: 'clean' | 'torn' | 'damaged'
}

/** Reads records from a file's bytes, up to the first that is not whole; told apart by what follows. */
export function scanRecords(bytes: Buffer): Scan {
  const values: unknown[] = []
  let at = 0
  while (at < bytes.length) {
    const payload = payloadAt(bytes, at)
    if (payload === null) return { values, whole: at, end: hasRecordAfter(bytes, at + 1) ? 'damaged' : 'torn' }
    values.push(JSON.parse(payload.toString('utf8')))
    at += HEAD + payload.length
  }
  return { values, whole: at, end: 'clean' }
}

function payloadAt(bytes: Buffer, at: number): Buffer | null {
  if (at + HEAD > bytes.length || !bytes.subarray(at, at + MARK.length).equals(MARK)) return null
  const end = at + HEAD + bytes.readUInt32LE(at + 4)
  if (end > bytes.length) return null
  const payload = bytes.subarray(at + HEAD, end)
  return checksum(payload) === bytes.readUInt32LE(at + 8) ? payload : null
}

function hasRecordAfter(bytes: Buffer, from: number): boolean {
  for (let at = bytes.indexOf(MARK, from); at >= 0; at = bytes.indexOf(MARK, at + 1)) if (payloadAt(bytes, at) !== null) return true
  return false
}
