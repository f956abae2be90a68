import { LARGEST_PHOTO_BYTES, problemWithPhoto } from '@/src/core/formats/photo-file'

const segment = (marker: number, ...body: number[]) => [0xff, marker, 0, body.length + 2, ...body]
const jpeg = (...segments: number[][]) => Uint8Array.from([0xff, 0xd8, ...segments.flat(), ...segment(0xda, 1, 2), 7, 7, 0xff, 0xd9])
const frame = segment(0xe0, 0x4a, 0x46, 0x49, 0x46, 0)
const exif = segment(0xe1, 0x45, 0x78, 0x69, 0x66, 0, 0)

describe('a photo that is to be kept', () => {
  it('is a whole JPEG with nothing beside its picture', () => {
    expect(problemWithPhoto(jpeg(frame))).toBeNull()
    expect(problemWithPhoto(jpeg(frame, segment(0xdb, 1, 2, 3)))).toBeNull()
    // A profile of its colors is the picture's own.
    expect(problemWithPhoto(jpeg(frame, segment(0xe2, 0x49, 0x43, 0x43)))).toBeNull()
  })

  it.each([
    ['that says where it was taken', jpeg(frame, exif), /place or camera/],
    ['that says so before its frame', jpeg(exif, frame), /place or camera/],
    ['of another kind', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 1, 2, 3]), /no JPEG/],
    ['that is nothing at all', new Uint8Array(0), /no JPEG/],
    ['that was cut off', jpeg(frame).subarray(0, -2), /cut off/],
    ['whose segments lead nowhere', Uint8Array.from([0xff, 0xd8, 1, 2, 3, 4, 0xff, 0xd9]), /damaged/],
    ['that is larger than any', new Uint8Array(LARGEST_PHOTO_BYTES + 1), /too large/],
  ])('is refused in a sentence: one %s', (_, bytes, says) => {
    expect(problemWithPhoto(bytes)).toMatch(says)
  })
})
