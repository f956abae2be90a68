/** The longer side of a kept photo, px: a strip of twelve screws is read on it. Assumption. */
const LONGEST_PX = 1600
const QUALITY = 0.8

/**
 * A picture, drawn anew: no larger than it need be, upright, and without what a camera writes beside it (place, time, maker). Rejects
 * with a sentence where the file is no picture.
 */
export async function shrinkPicture(file: Blob): Promise<ArrayBuffer> {
  let picture: ImageBitmap
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
  } catch {
    throw new Error('This file is no picture that the browser can read. Nothing was kept; take another, or choose a JPEG or PNG.')
  }
  try {
    const share = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(picture.width * share))
    canvas.height = Math.max(1, Math.round(picture.height * share))
    const brush = canvas.getContext('2d')
    if (!brush) throw new Error('This browser cannot make a picture smaller. Nothing was kept.')
    // What was see-through would be black.
    brush.fillStyle = '#fff'
    brush.fillRect(0, 0, canvas.width, canvas.height)
    brush.drawImage(picture, 0, 0, canvas.width, canvas.height)
    const shrunk = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY))
    if (!shrunk) throw new Error('The picture could not be made smaller. Nothing was kept; try once more.')
    return await shrunk.arrayBuffer()
  } finally {
    picture.close()
  }
}

export async function digestOf(bytes: ArrayBuffer): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))
  return Array.from(digest, (byte) => byte.toString(16).padStart(2, '0')).join('')
}
