import {
  afloat,
  airLoadN,
  dueFor,
  fight,
  fishDragN,
  fitTires,
  floatLiftN,
  jointsOf,
  kindSeconds,
  liftN,
  mmOfX,
  rigFrom,
  rodPull,
  thrustN,
  tippetHolds,
  USUAL_BOX,
  weakestJoint,
  waterLoadN,
  weightInWaterN,
  type Fly,
  type RigPlan,
} from './index';

const of = (id: string) => USUAL_BOX.find((f) => f.id === id)!;
const sized = (id: string, hookSize: number): Fly => ({ ...of(id), hookSize });
const fresh = { covers: 0, fish: 0 };

describe('afloat', () => {
  it('what a fresh dry holds, and without its film', () => {
    const flies = [
      of('parachute-14'),
      sized('parachute-14', 16),
      of('hair-wing-12'),
      of('beetle-12'),
      sized('beetle-12', 14),
      of('hopper-10'),
      sized('hopper-10', 12),
    ];
    [0.82, 0.7, 1.17, 1.37, 0.94, 2.73, 1.94].forEach((mN, i) =>
      expect(1000 * liftN(flies[i]!, fresh)).toBeCloseTo(mN, 1),
    );
    expect([10, 12, 14, 18, 22].map((mm) => +(1000 * floatLiftN(mm)).toFixed(1))).toEqual([
      3.9, 6.7, 10.6, 22.5, 41,
    ]);
  });
  it('when it is to be dried, by covers, fish and what hangs below', () => {
    const tungsten = weightInWaterN(of('nymph-18-t2'));
    const plain = weightInWaterN(of('nymph-16'));
    const dry = (fly: Fly, hungN: number) =>
      [0, 1, 2].map((fish) => afloat(fly, hungN, { covers: 0, fish }).dryInCovers);
    const near = (own: (number | null)[], told: number[]) =>
      own.forEach((n, i) => expect(Math.abs((n ?? -1) - told[i]!)).toBeLessThan(3));
    near(dry(of('parachute-14'), 0), [61, 29, 0]);
    near(dry(of('parachute-14'), plain), [35, 3, 0]);
    expect(dry(of('parachute-14'), tungsten)[0]).toBeNull();
    near(dry(of('hair-wing-12'), tungsten), [13, 0, 0]);
    expect(dry(of('beetle-12'), tungsten)[0]).toBe(Infinity);
  });
  it('holds no more after a fish, and says now once it is past', () => {
    for (const fly of USUAL_BOX)
      expect(liftN(fly, { covers: 5, fish: 1 })).toBeLessThanOrEqual(
        liftN(fly, { covers: 5, fish: 0 }),
      );
    expect(afloat(of('parachute-14'), 0, { covers: 80, fish: 0 }).dryInCovers).toBe(0);
  });
});

describe('the fight', () => {
  const fish = (totalLengthCm: number, waterTempC = 12) =>
    ({ species: 'brown', totalLengthCm, waterTempC }) as const;
  const rod = (lineWeight: number) => ({ lengthM: 2.7, lineWeight });
  it('pulls, thrust and drag of the page', () => {
    expect([2, 3, 4, 5, 6].map((w) => +rodPull(rod(w)).workingN.toFixed(2))).toEqual([
      1.35, 1.65, 1.95, 2.25, 2.55,
    ]);
    expect(rodPull(rod(3)).springNPerM).toBeCloseTo(0.73, 2);
    expect(Math.abs(thrustN(fish(30, 11)) - 1.7)).toBeLessThan(0.06);
    expect(fishDragN(30, 0.5)).toBeCloseTo(0.37, 2);
    expect(fishDragN(30, 1)).toBeCloseTo(1.48, 2);
    expect(fishDragN(30, 1, Math.PI / 2)).toBeCloseTo(9.9, 1);
  });
  it('seconds to land, as a band; what cannot be brought up is said', () => {
    const at = (cm: number, speedMps: number, weight = 3) =>
      fight({ fish: fish(cm), rod: rod(weight), speedMps, wayM: 6 }).seconds;
    const told = [
      [at(25, 0.3), 17, 2],
      [at(30, 0.3), 21, 2],
      [at(35, 0.3), 33, 3],
      [at(40, 0.3), 44, 4],
      [at(30, 0.7), 34, 4],
      [at(35, 0.7), 53, 7],
      [at(40, 0.7), 78, 12],
      [at(40, 0.7, 5), 54, 7],
    ] as const;
    for (const [own, s, within] of told) expect(Math.abs(own!.best - s)).toBeLessThan(within);
    expect(at(35, 1)).toBeNull();
    expect(
      fight({ fish: fish(35), rod: rod(3), speedMps: 1, wayM: 6, sideRad: Math.PI / 2 }).seconds,
    ).not.toBeNull();
    for (const cm of [25, 30, 35])
      expect(at(cm, 0.5, 5)!.best).toBeLessThanOrEqual(at(cm, 0.5, 3)!.best);
  });
  it('what the tippet bears: the bent rod, and a rod pointed at the fish', () => {
    const plan = rigFrom('small-stream');
    const joint = weakestJoint(jointsOf(plan, USUAL_BOX))!;
    const holds = (strengthN: number) =>
      tippetHolds({ ...joint, strengthN }, rod(3), fish(30), { diameterMm: mmOfX(5), lengthM: 3 });
    expect(holds(17.4).straightN).toBeCloseTo(7.6, 0);
    expect(holds(17.4).kind).toBe('enough');
    expect(holds(8).kind).toBe('only-bent');
    expect(holds(3).kind).toBe('too-fine');
  });
  it('kind seconds fall from 60 at 15 C to 20 at the stop', () => {
    expect([10, 15, 16.65, 18.3, 25].map((t) => Math.round(kindSeconds(t, 18.3)))).toEqual([
      60, 60, 40, 20, 20,
    ]);
  });
  it('how fast fish tire is learnt from the log, with doubt that shrinks', () => {
    const fought = Array.from({ length: 5 }, () => ({
      seconds: 5 + 12 + 40 * Math.log(2),
      wayM: 6,
      thrustN: 2,
      leftN: 1,
    }));
    const none = fitTires([]);
    const five = fitTires(fought);
    expect(five.best).toBeGreaterThan(35);
    expect(five.high / five.low).toBeLessThan(none.high / none.low);
    expect(Math.log(five.high / five.best) / 1.2816).toBeCloseTo(0.17, 2);
  });
});

it('the water loads the rod: a float, two beads and shot, as the page has it', () => {
  const plan = withParts(rigFrom('float'));
  const told = [
    [1, 0.05],
    [3, 0.34],
    [5, 0.9],
  ] as const;
  for (const [v, newtons] of told)
    expect(Math.abs(waterLoadN(plan, USUAL_BOX, v) / newtons - 1)).toBeLessThan(0.22);
  // Nine metres of a 4 and a 5 weight in the air.
  expect(airLoadN(8.504e-4)).toBeCloseTo(0.31, 2);
  expect(airLoadN(9.921e-4)).toBeCloseTo(0.36, 2);
});

const withParts = (plan: RigPlan): RigPlan => ({
  ...plan,
  parts: [
    ...plan.parts.map((p) => (p.part === 'fly' ? { ...p, flyId: 'nymph-14-t28' } : p)),
    { part: 'shot', massMg: 200, aboveFlyM: 0.2 },
  ],
});

it('knots and weed are due by what was done', () => {
  const use = { casts: 0, fish: 0, snags: 0, castsSinceLook: 0 };
  expect(dueFor(use, 15)).toEqual([]);
  expect(dueFor({ ...use, fish: 3 }, 15)).toEqual(['knots']);
  expect(dueFor({ ...use, snags: 1, casts: 70, castsSinceLook: 20 }, 15)).toEqual([
    'knots',
    'weed',
  ]);
  expect(dueFor({ ...use, castsSinceLook: 20 }, 0)).toEqual([]);
});
