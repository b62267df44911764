import pLimit from 'p-limit';
import sharp from 'sharp';
import { ProblemError } from '../problems.ts';

/** A picture made ready to be kept. */
export interface MadePicture {
  readonly body: Buffer;
  readonly type: 'image/jpeg' | 'image/png';
  readonly widthPx: number;
  readonly heightPx: number;
  readonly small: Buffer;
}

/** Longest side kept, px: a thread can still be counted on it. */
const LONGEST_PX = 2400;
const SMALL_PX = 320;
/** More pixels than any camera here takes: a small file may unpack to more than the machine has. */
const MOST_PIXELS = 60_000_000;
/** Pictures worked on at one time: each may take a few hundred megabytes while it is open. */
const oneByOne = pLimit(2);
/** So many may wait behind those; more are told to come again. */
const MOST_WAITING = 40;

// Kept pictures of other people's files would take memory for nothing.
sharp.cache(false);

/**
 * Turns a picture the right way up, takes it to a size that is worth keeping, and leaves out everything but what is seen:
 * place, time, camera, comments. With transparency it stays PNG, else it becomes JPEG.
 */
export async function makePicture(body: Buffer): Promise<MadePicture> {
  if (oneByOne.pendingCount >= MOST_WAITING)
    throw new ProblemError('busy', 'Many pictures are coming in. Nothing was stored; try again in a moment.', {
      retryAfterS: 5,
    });
  return oneByOne(() => made(body));
}

async function made(body: Buffer): Promise<MadePicture> {
  try {
    const source = () => sharp(body, { limitInputPixels: MOST_PIXELS, failOn: 'error', animated: false }).rotate();
    const { hasAlpha } = await source().metadata();
    const turned = source().resize(LONGEST_PX, LONGEST_PX, { fit: 'inside', withoutEnlargement: true });
    const whole = hasAlpha ? turned.png({ compressionLevel: 9 }) : turned.jpeg({ quality: 84, mozjpeg: true });
    const { data, info } = await whole.toBuffer({ resolveWithObject: true });
    const small = await sharp(data)
      .resize(SMALL_PX, SMALL_PX, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 76 })
      .toBuffer();
    return {
      body: data,
      type: hasAlpha ? 'image/png' : 'image/jpeg',
      widthPx: info.width,
      heightPx: info.height,
      small,
    };
  } catch (error) {
    const tooMany = error instanceof Error && /pixel limit/i.test(error.message);
    throw new ProblemError(
      'badInput',
      tooMany
        ? `This picture has more than ${MOST_PIXELS / 1e6} million points. Make it smaller first.`
        : 'This picture is damaged or cut off: it cannot be opened.',
    );
  }
}
