import { createRandom } from '../grid/index';
import { USUAL_BOX } from '../rig/index';
import { levelRig } from './fixtures/by-force';
import {
  believeSink,
  evenLane,
  feltTable,
  hungRig,
  sinkPath,
  ticksOf,
  type Felt,
  type FeltTable,
} from './index';

const D84 = 0.05;

describe("the angler's own record", () => {
  const l = evenLane(0.6, 0.5, D84, -4, 4);
  const drift = (felt: Felt, leadM: number) =>
    feltTable({
      placeId: 'a',
      lane: l,
      rigAt: (m) => hungRig(levelRig('nymph-14-t28', 5, null, 2.7), USUAL_BOX, m)!,
      start: 'tucked',
      leadM,
      pastM: 0,
      felt,
    });
  const place = (tables: FeltTable[], spreadM = 0.03) => [{ id: 'a', spreadM, d84M: D84, tables }];

  it('says nothing before anything was felt', () => {
    const none = believeSink([]);
    expect(none.lnM).toBeCloseTo(0, 9);
    expect(none.lnMSpread).toBeCloseTo(0.25, 1);
  });

  it('clear lowers the sink or the bed, hung raises it; what is taken back is as if it never was', () => {
    const clear = believeSink(place([drift('clear', 1)]));
    expect(clear.multiplier).toBeLessThan(1);
    expect(clear.beds.get('a')!.shiftM).toBeGreaterThan(0);
    const hung = believeSink(place([drift('hung', 0.4)]));
    expect(hung.multiplier).toBeGreaterThan(1);
    const two = [drift('ticked', 0.6), drift('clear', 0.5)];
    const before = believeSink(place(two));
    believeSink(place([...two, drift('hung', 0.5)]));
    const after = believeSink(place(two));
    expect(Math.abs(after.lnM - before.lnM)).toBeLessThan(1e-9);
  });

  it('goes on from what an earlier record left: the same in two parts as at once', () => {
    const [first, then] = [drift('clear', 1), drift('ticked', 0.6)];
    const whole = believeSink(place([first, then]));
    const left = believeSink(place([first]));
    const on = believeSink(
      [{ ...place([then])[0]!, shiftM: left.beds.get('a')!.shiftM, spreadM: 0.03 }],
      { lnM: left.lnM, spread: left.lnMSpread },
    );
    expect(on.lnM).toBeCloseTo(whole.lnM, 1);
    const untouched = believeSink([], { lnM: -0.2, spread: 0.1 });
    expect(untouched.lnM).toBeCloseTo(-0.2, 2);
    expect(untouched.lnMSpread).toBeCloseTo(0.1, 2);
  });
  it('a rig that would not sink at all at some multiplier touches nothing there', () => {
    const table = feltTable({
      placeId: 'a',
      lane: l,
      rigAt: (m) =>
        m < 0.7 ? null : hungRig(levelRig('nymph-14-t28', 5, null, 2.7), USUAL_BOX, m),
      start: 'tucked',
      leadM: 1,
      pastM: 0,
      felt: 'clear',
    });
    expect(table[0]).toBe(0);
    expect(Math.min(...table)).toBeLessThan(0);
  });
  it('finds a seeded sink again, with doubt that shrinks and holds', () => {
    const random = createRandom(7);
    const tables = new Map<string, FeltTable>();
    const table = (felt: Felt, leadM: number) => {
      const key = `${felt} ${leadM.toFixed(1)}`;
      if (!tables.has(key)) tables.set(key, drift(felt, +leadM.toFixed(1)));
      return tables.get(key)!;
    };
    const errors: number[] = [];
    const spreads: number[] = [];
    for (let k = 0; k < 24; k++) {
      const lnM = 0.25 * normal(random);
      const rig = hungRig(levelRig('nymph-14-t28', 5, null, 2.7), USUAL_BOX, Math.exp(lnM))!;
      const told: FeltTable[] = [];
      let leadM = 0.6;
      for (let n = 0; n < 16; n++) {
        const path = sinkPath({
          lane: l,
          rig,
          start: 'tucked',
          landingM: -leadM,
          liftM: 0,
          roughly: true,
        });
        const { ticks, hangs } = ticksOf(path, l, { toM: 0 });
        const drawn = random();
        const felt = drawn < hangs ? 'hung' : drawn < ticks ? 'ticked' : 'clear';
        told.push(table(felt, leadM));
        // A little shorter after a tick, longer after none: drifts that always or never touch teach nothing.
        leadM = Math.min(2, Math.max(0.2, leadM + (felt === 'clear' ? 0.1 : -0.1)));
      }
      const b = believeSink(place(told));
      errors.push(b.lnM - lnM);
      spreads.push(b.lnMSpread);
    }
    const rms = Math.sqrt(errors.reduce((a, e) => a + e * e, 0) / errors.length);
    const spread = spreads.reduce((a, s) => a + s, 0) / spreads.length;
    expect(rms).toBeLessThan(0.16);
    expect(spread).toBeLessThan(0.16);
    expect(rms / spread).toBeLessThan(1.6);
  });
});

function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
