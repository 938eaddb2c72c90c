'use client';

/** px of the longer side: enough to see a spot on a belly. */
const LONGEST = 1600;

/**
 * A photograph made small, as a JPEG in base64. Drawn anew it has lost where and when it was taken. undefined: the browser cannot read
 * it.
 */
export async function smallPhoto(file: File): Promise<string | undefined> {
  try {
    const picture = await createImageBitmap(file);
    const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * scale));
    canvas.height = Math.max(1, Math.round(picture.height * scale));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    return canvas.toDataURL('image/jpeg', 0.8).split(',')[1];
  } catch {
    return undefined;
  }
}
