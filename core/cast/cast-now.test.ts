import { createScene, type Fish } from '../sight/index';
import { bush, overcast, plan, stream } from '../stalk/fixtures/streams';
import type { BeatFeature } from '../formats/index';
import { madeFlow } from '../water/fixtures/waters';
import { surfaceFactor } from '../water/index';
import { createRandom } from '../grid/index';
import { DEFAULT_RIG } from '../rig/index';
import {
  bestMend,
  castAllowed,
  castNow,
  castStudy,
  castTip,
  coverGrid,
  coverOrder,
  driftInputOf,
  SEARCHED_LAYS,
  simulateDrift,
  structureAt,
  USUAL_ANGLER,
  type CastQuestion,
} from './index';
import { keptShots } from '../../testing/solved';

const NOTHING_LAID = { cleanS: 0, laid: [] };

const scene = createScene(plan(), stream(0.4, 0.5));
const target: Fish = {
  id: 'one',
  xM: 12,
  yM: 1,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 28,
  surety: 'sure',
};
const question = (more: Partial<CastQuestion> = {}): CastQuestion => ({
  rig: DEFAULT_RIG,
  stand: { xM: 9, yM: -5 },
  landing: { xM: 13.2, yM: 1 },
  lay: { kind: 'straight' },
  posture: 'kneel',
  angler: USUAL_ANGLER,
  conditions: overcast,
  windSchool: 'tilt',
  target,
  others: [],
  seconds: 6,
  ...more,
});
const now = (more: Partial<CastQuestion> = {}) => {
  const q = question(more);
  return castNow(scene, q, simulateDrift(scene.flow, driftInputOf(q)));
};

describe('what follows the pointer', () => {
  it('distance, lead, angle and lining of the line as it lies', () => {
    const n = now();
    expect(n.distanceM).toBeCloseTo(Math.hypot(4.2, 6), 9);
    expect(n.leadM).toBeCloseTo(1.2, 1);
    // Six metres aside and three below.
    expect(n.angleRad).toBeCloseTo(Math.atan2(6, 3), 6);
    // Lead x sin(angle between line and current).
    expect(n.liningM).toBeCloseTo(1.2 * Math.sin(Math.atan2(6, 4.2)), 1);
    expect(n.by).toBe('overhead');
    expect(Math.cos(n.strikeRad!)).toBeCloseTo(-1, 9);
  });
  it('in an eddy all of it turns: the fish faces down the valley, below is up the valley', () => {
    const turned = now({
      target: { ...target, headingRad: Math.PI },
      landing: { xM: 10.8, yM: 1 },
    });
    expect(turned.leadM).toBeCloseTo(1.2, 6);
    expect(turned.angleRad).toBeCloseTo(Math.PI - Math.atan2(6, 3), 6);
    expect(turned.strikeRad).toBeCloseTo(0, 6);
  });
  it('names the other fish that the line comes nearest', () => {
    const others = [
      { ...target, id: 'far', xM: 20 },
      { ...target, id: 'near', xM: 11, yM: -1.5 },
    ];
    expect(now({ others }).lines).toMatchObject({ fishId: 'near' });
    expect(now().lines).toBeNull();
  });
  it('what cannot be thrown from here says so: too far for bow and arrow', () => {
    const n = now({ lay: { kind: 'bow-and-arrow' } });
    expect(n.by).toBeNull();
    expect(n.layReachM).toBeCloseTo(5.1, 6);
  });
  it('without a fish there is no lead, no angle and no lining', () => {
    expect(now({ target: null })).toMatchObject({
      leadM: null,
      angleRad: null,
      liningM: null,
      falseCast: null,
    });
  });
});

describe('once the pointer rests', () => {
  const study = castStudy(scene, question());
  it('sets every lay beside the others, those that can be thrown first, the longest first', () => {
    expect(study.rows).toHaveLength(SEARCHED_LAYS.length);
    const thrown = study.rows.filter((r) => r.by !== null);
    expect(thrown.length).toBeGreaterThan(5);
    expect(study.rows.slice(0, thrown.length).every((r) => r.by !== null)).toBe(true);
    for (let i = 1; i < thrown.length; i++)
      expect(thrown[i]!.cleanS.best).toBeLessThanOrEqual(thrown[i - 1]!.cleanS.best);
  });
  it('keeps the amount that was chosen in its row', () => {
    const lay = { kind: 'reach', toward: 'up-current', amountM: 2 } as const;
    const rows = castStudy(scene, question({ lay })).rows;
    expect(rows.some((r) => r.lay === lay)).toBe(true);
    expect(rows.filter((r) => r.lay.kind === 'reach')).toHaveLength(2);
  });
  it('leads, covers and lands', () => {
    expect(study.lead!.leadM).toBeGreaterThan(0.5);
    expect(study.leadAway).not.toBeNull();
    expect(study.covers).toHaveLength(3);
  });
});

describe('covers', () => {
  it('short by three feet, then two more, then one more (common practice)', () => {
    const [a, b, c] = coverOrder({ xM: 0, yM: 0 }, { xM: 6, yM: 0 });
    expect(a!.distanceM).toBeCloseTo(6 - 3 * 0.3048, 6);
    expect(b!.moreM).toBeCloseTo(2 * 0.3048, 6);
    expect(c!.moreM).toBeCloseTo(0.3048, 6);
    expect(c!.place.xM).toBeCloseTo(6, 9);
  });
  it('a place very near is never covered behind the angler', () => {
    for (const cover of coverOrder({ xM: 0, yM: 0 }, { xM: 1, yM: 0 }))
      expect(cover.place.xM).toBeGreaterThan(0);
  });
  it('names what the fish lies under', () => {
    const overhang: BeatFeature = {
      kind: 'overhang',
      clearanceM: 0.4,
      shape: {
        type: 'Polygon',
        ring: [
          { xM: 11, yM: 0 },
          { xM: 13, yM: 0 },
          { xM: 13, yM: 2 },
          { xM: 11, yM: 2 },
        ],
      },
    };
    expect(structureAt(plan(overhang), target)).toBe('overhang');
    expect(structureAt(plan(), target)).toBeNull();
    expect(structureAt(plan(bush(12, 2.4)), { xM: 12, yM: 1.2 })).toBe('bush');
    expect(structureAt(plan(bush(12, 2.4)), { xM: 12, yM: -2 })).toBeNull();
  });
  it('a pool in order: own bank, foam line, far bank, still water; in each the near before the far', () => {
    const flow = stream(0.4, 0.5);
    for (let k = 0; k < flow.u.length; k++) {
      const x = flow.x0M + (k % flow.nx) * flow.cellM;
      if (x > 15 && flow.depthM[k]! > 0) flow.u[k] = -0.02;
    }
    const pool = createScene(plan(), flow);
    const grid = coverGrid(pool, { xM: 13, yM: -5 }, { rodM: 2.4, rig: DEFAULT_RIG }, 9);
    const order = ['own-bank', 'foam-line', 'far-bank', 'still-water'];
    const at = grid.map((c) => order.indexOf(c.water));
    expect(at).toEqual([...at].sort((a, b) => a - b));
    expect(new Set(at).size).toBeGreaterThanOrEqual(3);
    for (const c of grid) {
      expect(c.distanceM).toBeLessThanOrEqual(9);
      if (c.water === 'own-bank') expect(c.place.yM).toBeLessThan(0);
      if (c.water === 'far-bank') expect(c.place.yM).toBeGreaterThan(0);
    }
    const own = grid.filter((c) => c.water === 'own-bank').map((c) => Math.round(c.distanceM));
    expect(own).toEqual([...own].sort((a, b) => a - b));
  });
});

describe('a mend', () => {
  const factor = surfaceFactor(0.5, 0.05);
  const tongue = madeFlow((_x, y) => -(0.4 + 0.4 / (1 + Math.exp((y - 3.2) / 0.25))) / factor);
  const landing = { xM: 1.2, yM: 4.2 };
  const tip = castTip({ xM: 0, yM: -2.3 }, landing, 2.4);
  it('is told when it buys time, and its gain is what the drift then is', () => {
    const input = { rig: DEFAULT_RIG, tip, landing, lay: { kind: 'slack' } as const, seconds: 6 };
    const best = bestMend(tongue, input)!;
    expect(best.mend.toward).toBe('up-current');
    expect(best.gainS).toBeGreaterThan(0.3);
    const with_ = simulateDrift(tongue, { ...input, mend: best.mend, nodeM: 0.2, dtS: 0.1 });
    expect(with_.cleanS).toBeCloseTo(best.cleanS, 6);
  });
  it('is not invented where none helps', () => {
    expect(
      bestMend(tongue, { rig: DEFAULT_RIG, tip, landing, lay: { kind: 'straight' }, seconds: 6 }),
    ).toBeNull();
    const even = madeFlow(() => -0.3);
    const reach = { kind: 'reach', toward: 'up-current', amountM: 1.5 } as const;
    expect(bestMend(even, { rig: DEFAULT_RIG, tip, landing, lay: reach, seconds: 4 })).toBeNull();
  });
});

describe('what can be thrown is one rule', () => {
  const lays = (q: CastQuestion) =>
    castStudy(scene, q)
      .rows.filter((r) => r.by !== null)
      .map((r) => r.lay.kind)
      .sort();
  const searched = (q: CastQuestion) =>
    SEARCHED_LAYS.filter(
      (lay) =>
        castAllowed(castNow(scene, { ...q, lay }, NOTHING_LAID), lay.kind, {
          rodM: q.angler.rodM,
          leaderM: DEFAULT_RIG.leaderM,
        }).cast !== null,
    )
      .map((lay) => lay.kind)
      .sort();
  it('from straight below only what lays no line over it is offered, as the search does', () => {
    const below = question({ stand: { xM: 6, yM: 1 }, landing: { xM: 13.2, yM: 1 } });
    expect(lays(below)).toEqual(searched(below));
    expect(lays(below)).not.toContain('reach');
    const row = castStudy(scene, below).rows.find((r) => r.lay.kind === 'reach')!;
    expect(row.refusal).toBe('straight');
    expect(
      castNow(
        scene,
        { ...below, lay: { kind: 'reach', toward: 'up-current', amountM: 1.5 } },
        NOTHING_LAID,
      ).refusal,
    ).toBe('straight');
  });
  it('the list of lays, the drag and the search agree from anywhere, and a pinned search finds only what is offered', () => {
    const random = createRandom(3);
    const wholeBeat = plan();
    let offered = 0;
    for (let n = 0; n < 40; n++) {
      const q = question({
        stand: { xM: 3 + 18 * random(), yM: -4.4 - 3 * random() },
        landing: { xM: 13.2, yM: 1 },
      });
      const rows = lays(q);
      expect(rows).toEqual(searched(q));
      offered += rows.length;
      if (n >= 4) continue;
      for (const kind of ['straight', 'bank-lay', 'feed'] as const) {
        const found = keptShots(wholeBeat, scene.flow, {
          rig: DEFAULT_RIG,
          target,
          pin: { stand: q.stand, lay: kind },
          landing: q.landing,
          standStepM: 0.5,
        });
        const at = found.kind === 'shots' ? found.shots : [];
        for (const shot of at) {
          const there = { ...q, stand: shot.stand, posture: shot.posture };
          expect(lays(there)).toContain(kind);
        }
      }
    }
    expect(offered).toBeGreaterThan(100);
  });
});
