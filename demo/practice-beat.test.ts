import { readFileSync } from 'node:fs';
import { FIRST_BEAT_FILE } from './first-beat';

it('the practice beat that an empty book offers is the demo beat as it is now', () => {
  // Stale? `npx tsx demo/write-practice-beat.ts`
  expect(JSON.parse(readFileSync('public/practice-beat.json', 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(FIRST_BEAT_FILE)),
  );
});
