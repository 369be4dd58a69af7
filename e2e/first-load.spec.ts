import { gzipSync } from 'node:zlib';
import { expect, test } from './test';

/** What a page asks of the network before it works, gzip, KB: the product's promise for the first view. */
const MOST_KB = { '/': 320, '/read': 200, '/outing': 200, '/b/kettle-slot/read': 320 };

for (const [path, most] of Object.entries(MOST_KB))
  test(`${path} loads less than ${most} KB of script`, async ({ request }) => {
    const page = await (await request.get(path)).text();
    const scripts = [...page.matchAll(/<script[^>]*?src="([^"]+)"[^>]*>/g)]
      .filter(([tag]) => !/nomodule/i.test(tag))
      .map(([, src]) => src!);
    expect(scripts.length).toBeGreaterThan(3);
    let bytes = 0;
    for (const src of new Set(scripts)) {
      const answer = await request.get(src);
      expect(answer.ok()).toBe(true);
      bytes += gzipSync(await answer.body()).length;
    }
    expect(bytes / 1024).toBeGreaterThan(50);
    console.log(`${path}: ${(bytes / 1024).toFixed(1)} KB`);
    expect(bytes / 1024).toBeLessThan(most);
  });
