import sharp from 'sharp';
import { findPhoto, putPhoto, type StoredPhoto } from '../store/index';
import { book } from './book';
import { once, TOLD_WHOLE, type Change } from './change';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

export const PHOTO_LIMIT_BYTES = 25_000_000;
/** Longest side kept, px: a metre of a 100 m beat is then 24 px. */
const LONGEST_PX = 2400;
const MOST_PIXELS = 120_000_000;
/**
 * The four formats, by the first bytes of a file. Everything else that can hold a picture (SVG, PDF)
 * is never opened: such files are programs, and one of a kilobyte can keep a processor busy for ever.
 */
const HEADS: readonly ((head: Buffer) => boolean)[] = [
  (head) => head.readUIntBE(0, 3) === 0xffd8ff,
  (head) => head.toString('latin1', 0, 8) === '\x89PNG\r\n\x1a\n',
  (head) => head.toString('latin1', 0, 4) === 'RIFF' && head.toString('latin1', 8, 12) === 'WEBP',
  (head) => head.toString('latin1', 4, 8) === 'ftyp' && /avi[fs]/.test(head.toString('latin1', 8)),
];
const HEAD_BYTES = 32;
/** A picture of the largest size takes some ten seconds here. */
const LONGEST_S = 60;
/** One photograph is decoded at a time: each takes up to half a gigabyte. */
let decoding: Promise<unknown> = Promise.resolve();
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = decoding.then(work);
  decoding = mine.catch(() => null);
  return mine;
}

/**
 * Keeps a photograph: turned upright, made smaller, encoded anew as JPEG, and with that rid of all
 * it carries beside the picture (place, time, camera). Refuses what is too large, by its head
 * alone and before a pixel is decoded, or no picture.
 */
export async function keepPhoto(
  id: string,
  bytes: Uint8Array,
  { id: name }: Change = TOLD_WHOLE,
): Promise<Outcome<{ id: string; width: number; height: number }>> {
  const mega = (bytes.length / 1e6).toFixed(1);
  if (bytes.length > PHOTO_LIMIT_BYTES) {
    return refused(
      'invalid',
      `The photograph holds ${mega} MB; at most ${PHOTO_LIMIT_BYTES / 1e6} MB are taken. Make it smaller and choose it again.`,
      'photo',
    );
  }
  const head = Buffer.from(bytes.subarray(0, HEAD_BYTES));
  if (head.length < HEAD_BYTES || !HEADS.some((is) => is(head))) return noPicture(mega);
  const size = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  const pixels = (size?.width ?? 0) * (size?.height ?? 0) * (size?.pages ?? 1);
  if (pixels > MOST_PIXELS)
    return refused(
      'invalid',
      `The photograph has ${(pixels / 1e6).toFixed(0)} megapixels; at most ${MOST_PIXELS / 1e6} are taken. Make it smaller and choose it again.`,
      'photo',
    );
  let made: { data: Buffer; info: { width: number; height: number } };
  try {
    made = await inTurn(() =>
      sharp(bytes, { limitInputPixels: MOST_PIXELS })
        .timeout({ seconds: LONGEST_S })
        .rotate()
        .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 82 })
        .toBuffer({ resolveWithObject: true }),
    );
  } catch {
    return noPicture(mega);
  }
  const { width, height } = made.info;
  const kept = { id, bytes: new Uint8Array(made.data), width, height };
  const taken = await once(name, async (trx) => {
    await putPhoto(trx, kept, nowMs());
    return done(null);
  });
  return taken.ok ? done({ id, width, height }) : taken;
}

const noPicture = (mega: string) =>
  refused<never>(
    'invalid',
    `This file of ${mega} MB is no picture that can be read; JPEG, PNG, WebP and AVIF are possible.`,
    'photo',
  );

export async function photo(id: string): Promise<Outcome<StoredPhoto>> {
  const found = await findPhoto(await book(), id);
  return found ? done(found) : refused('not-found', `There is no photograph "${id}".`);
}
