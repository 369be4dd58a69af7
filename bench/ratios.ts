import { planDay } from '../core/day/index';
import { bestOrder } from '../core/day/order';
import { at, dayOver, siteAt } from '../core/day/fixtures/asked';
import { madeUp } from '../core/day/fixtures/order-ask';
import { learn, refitted } from '../core/learn/index';
import { NO_SIGNAL, season } from '../core/learn/fixtures/seasons';
import { inYardsticks } from './yardstick';

/**
 * What must not grow, each as a ratio to a yardstick timed in the same run, so that the limit holds
 * on any machine and beside other work: `npx tsx bench/ratios.ts`. It fails where one is over its limit.
 */
interface Held {
  what: string;
  work: () => unknown;
  /** In yardsticks: about twice what was measured when it was set. */
  most: number;
}

const eight = Array.from({ length: 8 }, (_, i) => siteAt(`beat ${i}`, 400 + 90 * i));
const day = dayOver(eight, {
  readings: [{ id: 'dawn', siteId: 'beat 0', atMs: at(6), tempC: 15 }],
});
const order = madeUp(9, 8, 68);
const [many, some] = [season(3, 20_000, NO_SIGNAL), season(9, 2000, NO_SIGNAL)];

const HELD: readonly Held[] = [
  { what: 'the order of eight beats, in quarter hours', work: () => bestOrder(order), most: 1.5 },
  { what: 'a day over eight beats, with a new reading', work: () => planDay(day), most: 4 },
  { what: 'twenty thousand tries counted', work: () => learn(many), most: 8 },
  { what: 'two thousand tries refitted', work: () => refitted(some), most: 15 },
];

let over = 0;
for (const { what, work, most } of HELD) {
  const { ratio, ms } = inYardsticks(work);
  if (ratio > most) over++;
  console.log(
    `${what.padEnd(46)} ${ratio.toFixed(1).padStart(6)} yardsticks, ${ms.toFixed(0).padStart(5)} ms` +
      (ratio > most ? `  OVER ${most}` : ''),
  );
}
if (over > 0) process.exitCode = 1;
