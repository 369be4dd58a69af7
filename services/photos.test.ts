import sharp from 'sharp';
import { startFreshBook } from '../store/fixtures/books';
import { closeBook, keepPhoto, photo } from './index';

startFreshBook('pebble-photos-');
afterAll(closeBook);

const picture = () =>
  sharp({ create: { width: 4, height: 3, channels: 3, background: '#777' } })
    .png()
    .toBuffer();

/** CRC-32 as PNG asks for (ISO 3309); older Nodes have none. */
function crc32(bytes: Uint8Array): number {
  let crc = ~0;
  for (const b of bytes) {
    crc ^= b;
    for (let k = 0; k < 8; k++) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
  }
  return ~crc >>> 0;
}

/** The same file with a head that claims other sides: a few bytes that ask for gigabytes. */
async function claiming(width: number, height: number): Promise<Uint8Array> {
  const png = await picture();
  png.writeUInt32BE(width, 16);
  png.writeUInt32BE(height, 20);
  png.writeUInt32BE(crc32(png.subarray(12, 29)), 29);
  return new Uint8Array(png);
}

it('is kept upright and small, and given back', async () => {
  expect(await keepPhoto('a', new Uint8Array(await picture()))).toMatchObject({
    ok: true,
    value: { width: 4, height: 3 },
  });
  expect(await photo('a')).toMatchObject({ ok: true });
});

it('too many pixels are refused by the head alone, with how many there are', async () => {
  const said = await keepPhoto('b', await claiming(30_000, 30_000));
  expect(said).toMatchObject({ ok: false, code: 'invalid', field: 'photo' });
  expect(said.ok || said.message).toContain('900 megapixels; at most 120 are taken');
  expect(await photo('b')).toMatchObject({ ok: false });
});

it('what is no picture is said so', async () => {
  const said = await keepPhoto('c', new Uint8Array([1, 2, 3]));
  expect(said.ok || said.message).toContain('no picture that can be read');
});

it.each([
  [
    'an SVG, however small: nested shapes would keep a processor busy for ever',
    '<svg xmlns="http://www.w3.org/2000/svg"><rect width="9" height="9"/></svg>',
  ],
  [
    'an SVG after white space',
    '  \n<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="4" height="4"/>',
  ],
  ['a PDF', '%PDF-1.4 and what follows it, which is long enough to have a head'],
  ['a GIF', 'GIF89a and what follows it, which is long enough to have a head'],
])('%s is never opened', async (_what, text) => {
  const said = await keepPhoto('d', new TextEncoder().encode(text));
  expect(said.ok || said.message).toContain('JPEG, PNG, WebP and AVIF are possible');
});

it.each(['jpeg', 'webp', 'avif'] as const)('%s is taken', async (format) => {
  const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#777' } })
    .toFormat(format)
    .toBuffer();
  expect(await keepPhoto(`of-${format}`, new Uint8Array(bytes))).toMatchObject({ ok: true });
});
