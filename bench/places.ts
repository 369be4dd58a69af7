/* Seeded days along water that nobody drew, by rule: takes a day, and how sure the difference is. */
import { always, byWhatItPays, DAYS, makeDay, workDay } from '../core/places/fixtures/days';

const SEEDS = 60;
const mean = (a: readonly number[]) => a.reduce((x, y) => x + y, 0) / a.length;

console.log('| day | three each | five each | by what it pays | more than three each (95 %) |');
console.log('|---|---|---|---|---|');
for (const [name, kind] of Object.entries(DAYS)) {
  const seeds = Array.from({ length: SEEDS }, (_, s) => s);
  const takes = (rule: () => ReturnType<typeof always>) =>
    seeds.map((s) => workDay(makeDay(kind, 1000 + s), rule(), s));
  const three = takes(() => always(3));
  const five = takes(() => always(5));
  const ours = takes(byWhatItPays);
  const more = ours.map((o, i) => o - three[i]!);
  const by = mean(more);
  const error = 1.96 * Math.sqrt(mean(more.map((d) => (d - by) ** 2)) / (SEEDS - 1));
  console.log(
    `| ${name} | ${mean(three).toFixed(1)} | ${mean(five).toFixed(1)} | ${mean(ours).toFixed(1)} | ${by.toFixed(2)} ± ${error.toFixed(2)} |`,
  );
}
