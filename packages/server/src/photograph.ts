/** Takes in a photograph: checks that it is one, turns it upright, scales it down, leaves out what the camera wrote. */
import sharp from 'sharp';
import { Problem } from './problem';

// One core for pictures, however many come: the others are for whoever waits for an answer.
sharp.concurrency(1);

/** Longest side kept, px: enough to read a terminal strip. */
const LONGEST_PX = 1600;
const QUALITY = 82;
/** More pixels than any telephone takes; a small file may claim far more. */
const MOST_PIXELS = 60_000_000;
const FORMATS: readonly string[] = ['jpeg', 'png', 'webp'];

interface Photograph {
  jpeg: Buffer;
  width: number;
  height: number;
}

const refused = () =>
  new Problem({
    status: 422,
    title: 'Not a photograph',
    detail: 'photo must be a JPEG, PNG or WebP picture of at most 60 megapixels that can be read.',
  });

/**
 * Reads a photograph. sharp writes no metadata unless asked to, so position, camera and time
 * are gone from the result.
 *
 * @throws Problem 422 when it is not a picture of a kind taken.
 */
export async function readPhotograph(file: Buffer): Promise<Photograph> {
  try {
    const picture = sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { format } = await picture.metadata();
    if (!FORMATS.includes(format)) throw refused();
    const { data, info } = await picture
      .autoOrient()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    return { jpeg: data, width: info.width, height: info.height };
  } catch {
    throw refused();
  }
}

/** Whether a picture is as `readPhotograph` leaves one: a JPEG of that size with nothing written into it. */
export async function isOurJpeg(file: Buffer, size: { width: number; height: number }): Promise<boolean> {
  try {
    const { format, width, height, exif, icc, iptc, xmp } = await sharp(file, {
      limitInputPixels: MOST_PIXELS,
      failOn: 'error',
    }).metadata();
    const bare = [exif, icc, iptc, xmp].every((written) => written === undefined);
    const small = Math.max(width, height) <= LONGEST_PX;
    return format === 'jpeg' && width === size.width && height === size.height && bare && small;
  } catch {
    return false;
  }
}

/** A picture with its longest side no longer than so many pixels. */
export const shrunk = (jpeg: Buffer, longest: number): Promise<Buffer> =>
  sharp(jpeg)
    .resize({ width: longest, height: longest, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: QUALITY })
    .toBuffer();
