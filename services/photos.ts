import sharp from 'sharp';
import { findPhoto, putPhoto, type StoredPhoto } from '../store/index';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

export const PHOTO_LIMIT_BYTES = 25_000_000;
/** Longest side kept, px: a metre of a 100 m beat is then 24 px. */
const LONGEST_PX = 2400;
const MOST_PIXELS = 120_000_000;

/**
 * Keeps a photograph: turned upright, made smaller, encoded anew as JPEG, and with that rid of all
 * it carries beside the picture (place, time, camera). Refuses what is too large, by its head
 * alone and before a pixel is decoded, or no picture.
 */
export async function keepPhoto(
  id: string,
  bytes: Uint8Array,
): Promise<Outcome<{ id: string; width: number; height: number }>> {
  const mega = (bytes.length / 1e6).toFixed(1);
  if (bytes.length > PHOTO_LIMIT_BYTES) {
    return refused(
      'invalid',
      `The photograph holds ${mega} MB; at most ${PHOTO_LIMIT_BYTES / 1e6} MB are taken. Make it smaller and choose it again.`,
      'photo',
    );
  }
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
    made = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
  } catch {
    return refused(
      'invalid',
      `This file of ${mega} MB is no picture that can be read; JPEG, PNG, WebP and AVIF are possible.`,
      'photo',
    );
  }
  const { width, height } = made.info;
  await putPhoto(await book(), { id, bytes: new Uint8Array(made.data), width, height }, nowMs());
  return done({ id, width, height });
}

export async function photo(id: string): Promise<Outcome<StoredPhoto>> {
  const found = await findPhoto(await book(), id);
  return found ? done(found) : refused('not-found', `There is no photograph "${id}".`);
}
