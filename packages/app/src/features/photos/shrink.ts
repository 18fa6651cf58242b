/** Makes a photograph as small as it will be kept: it is sent where signal is poor, and waits where space is short. */

/** As the server keeps it, px. */
const LONGEST_PX = 1600;
const QUALITY = 0.85;
/** Larger files than this are made smaller, bytes. */
const LARGE = 700 * 1024;
/** Where the browser cannot tell. */
const UNKNOWN = { width: 4, height: 3 };

export interface Shrunk {
  file: Blob;
  width: number;
  height: number;
}

/** What this browser cannot read goes as it is: the server says what it makes of it. */
export async function shrink(file: File): Promise<Shrunk> {
  try {
    const picture = await createImageBitmap(file);
    const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
    const [width, height] = [Math.round(picture.width * scale), Math.round(picture.height * scale)];
    if (file.size <= LARGE) return { file, width, height };
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')!.drawImage(picture, 0, 0, width, height);
    return { file: await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY }), width, height };
  } catch {
    return { file, ...UNKNOWN };
  }
}
