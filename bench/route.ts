/* The route on the demo's beats: preparation, search, going on from two stands; and days drawn by rule. */
import { demoBeats } from '../demo/beats';
import { TOTAL_PER_FORK } from '../core/fish/index';
import { rateLies, seasonAt } from '../core/lies/index';
import { DEFAULT_SETTINGS } from '../core/log/index';
import {
  conditionsAt,
  directionOf,
  feedLightOf,
  routeQuestion,
  steadyMs,
} from '../core/outing/index';
import { flyInHand, rigInHand } from '../core/rig/index';
import { planRoute, prepareRoute, searchRoute, type RouteAsk } from '../core/route/index';
import { byRule, drawDay, RULES } from '../core/route/fixtures/rules';
import { createScene, shadeField } from '../core/sight/index';
import { solveFlow } from '../core/water/index';

const NOW = Date.parse('2026-06-13T07:40:00Z');
const TEMP_C = 11;
const DAYS = 200;
const settings = { ...DEFAULT_SETTINGS, waterTempC: TEMP_C };
const ask: RouteAsk = {
  at: null,
  lambda: 4,
  budgetS: 1800,
  turn: false,
  direction: directionOf(settings),
  ticks: [],
};
const timed = <T>(work: () => T): [T, number] => {
  const from = performance.now();
  const out = work();
  return [out, performance.now() - from];
};
const mean = (a: readonly number[]) => a.reduce((x, y) => x + y, 0) / a.length;

console.log(
  '| beat | lies with a stand | prepared, s | KB | search, s | going on, ms | looks in 30 min |',
);
console.log('|---|---|---|---|---|---|---|');
const grounds = demoBeats().map(({ plan }) => {
  const level = plan.levels.find((l) => l.name === 'Fair')!;
  const flow = solveFlow(plan, { dischargeM3s: level.dischargeM3s, cellM: 0.4 });
  const light = conditionsAt(plan, steadyMs(NOW), settings);
  const scene = createScene(plan, flow);
  const { lies } = rateLies(plan, flow, {
    species: settings.species,
    forkLengthCm: settings.fishLengthCm / TOTAL_PER_FORK,
    waterTempC: TEMP_C,
    turbidityNtu: settings.turbidityNtu,
    prey: settings.prey,
    season: seasonAt(NOW, plan.timeZone, plan.anchor?.lat ?? 1),
    method: settings.methods.holding,
    homeOffset: 0,
    feedLight: feedLightOf(light),
    shade: shadeField(scene, light),
  });
  const fly = flyInHand(settings.tackle, 'dry-dropper');
  const rig = rigInHand(settings.tackle, fly);
  const told = { marks: [], lies, flow, settings, light, waterTempC: TEMP_C, nowMs: NOW, rig, fly };
  const [ground, preparedMs] = timed(() => {
    const steps = prepareRoute(scene, routeQuestion(told));
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
    }
  });
  const [found, searchMs] = timed(() => searchRoute(ground, ask));
  const ticks = found.stops
    .slice(0, 2)
    .flatMap((s) => s.lies.map((l) => ({ lieId: ground.lies[l]!.id, looks: [], closed: true })));
  const onward: RouteAsk = { ...ask, at: found.stops[1]?.stand ?? null, budgetS: 1200, ticks };
  const [, goOnMs] = timed(() =>
    planRoute(ground, onward, { warm: found.stops.slice(2), brief: true }),
  );
  const reached = ground.lies.filter((_, l) => ground.casts.some((c) => c[l])).length;
  console.log(
    `| ${plan.name} | ${reached} of ${ground.lies.length} | ${(preparedMs / 1000).toFixed(1)} | ${(JSON.stringify(ground).length / 1024).toFixed(0)} | ${(searchMs / 1000).toFixed(2)} | ${goOnMs.toFixed(0)} | ${found.end.looks.toFixed(1)} |`,
  );
  return ground;
});

console.log('\n| rule | honest looks an hour (95 %) |');
console.log('|---|---|');
const perHour = (
  name: string,
  stepsOf: (g: (typeof grounds)[number]) => ReturnType<typeof byRule>,
) => {
  const routes = grounds.map(stepsOf);
  const hours = Array.from({ length: DAYS }, (_, day) => {
    const drawn = grounds.map((g, i) => drawDay(g, routes[i]!, day));
    return (
      (3600 * drawn.reduce((x, d) => x + d.looks, 0)) / drawn.reduce((x, d) => x + d.seconds, 0)
    );
  });
  const m = mean(hours);
  const sd = Math.sqrt(mean(hours.map((h) => (h - m) ** 2)));
  console.log(`| ${name} | ${m.toFixed(1)} ± ${((1.96 * sd) / Math.sqrt(DAYS)).toFixed(1)} |`);
};
perHour('the route', (g) => searchRoute(g, ask).steps);
for (const rule of RULES) perHour(`${rule}, three casts each`, (g) => byRule(g, ask, rule));
