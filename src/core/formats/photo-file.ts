/** What a photo may be: assumption, some four times what a shrunk picture takes. */
export const LARGEST_PHOTO_BYTES = 2_000_000

const START = 0xd8
const END = 0xd9
const SCAN = 0xda
/** Application segments: the picture's own frame, its colors and how they are coded say nothing of who took it where. */
const FIRST_APP = 0xe0
const LAST_APP = 0xef
const HARMLESS = [0xe0, 0xe2, 0xee]

/**
 * Null for the bytes of a JPEG that is whole and carries nothing but its picture, else a sentence what is wrong. Data of place and
 * camera stands in application segments (JPEG, ITU-T T.81, annex B): Exif and XMP in APP1, IPTC in APP13; the frame is APP0, a color
 * profile APP2, the coding of colors APP14.
 */
export function problemWithPhoto(bytes: Uint8Array): string | null {
  if (bytes.length > LARGEST_PHOTO_BYTES) return 'This photo is too large: 2 MB at most. Nothing was saved.'
  const isJpeg = bytes[0] === 0xff && bytes[1] === START
  if (!isJpeg) return 'This is no JPEG picture. Nothing was saved.'
  if (bytes[bytes.length - 2] !== 0xff || bytes[bytes.length - 1] !== END)
    return 'This photo was cut off. Nothing was saved; send it again.'
  let at = 2
  while (at + 4 <= bytes.length) {
    if (bytes[at] !== 0xff) return 'This photo is damaged. Nothing was saved.'
    const marker = bytes[at + 1]
    if (marker === SCAN) return null
    if (marker >= FIRST_APP && marker <= LAST_APP && !HARMLESS.includes(marker))
      return 'This photo carries data of its place or camera. Nothing was saved; take it through the app, which leaves them out.'
    at += 2 + bytes[at + 2] * 256 + bytes[at + 3]
  }
  return 'This photo is damaged. Nothing was saved.'
}
