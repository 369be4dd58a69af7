import {
  acrossDragPerM,
  alongDragPerM,
  checkRig,
  cylinderCd,
  DEFAULT_RIG,
  DEFAULT_TACKLE,
  diameterMm,
  driftRig,
  driftRigOf,
  fallSpeedMps,
  fixedReachM,
  floatMassMg,
  flyMassMg,
  flyShape,
  hookMassMg,
  jointsOf,
  lineKgPerM,
  measureRig,
  mmOfX,
  nearestM,
  pulsePassed,
  rigFrom,
  rigsFor,
  rodLengthM,
  sphereCd,
  straightN,
  TEMPLATE_IDS,
  USUAL_BOX,
  usualRig,
  weakestJoint,
  weightInWaterN,
  WATER_KG_PER_M3,
  WATER_NU,
  type Fly,
  type RigPlan,
  type RigWater,
  type Section,
} from './index';

const of = (id: string) => USUAL_BOX.find((f) => f.id === id)!;
const sectionsOf = (plan: RigPlan) => plan.parts.filter((p): p is Section => p.part === 'section');

it('the rig that nobody chose is the default template, number for number', () => {
  expect(DEFAULT_RIG.leaderM).toBe(2.7);
  expect(DEFAULT_RIG.tippetM).toBe(1.2);
  expect([DEFAULT_RIG.lineMm, DEFAULT_RIG.flyDragNsPerM]).toEqual([1.1, 0.002]);
  // 100 grains in 30 ft (AFFTA).
  expect(DEFAULT_RIG.lineKgPerM).toBe(7.086e-4);
  for (const s of [0, 0.5, 1.2]) expect(diameterMm(DEFAULT_RIG, s)).toBe(0.15);
  expect(diameterMm(DEFAULT_RIG, 1.95)).toBeCloseTo(0.325, 9);
  expect(diameterMm(DEFAULT_RIG, 2.7)).toBe(1.1);
});

it('sphere, cylinder and line laws: published forms and the table of check values', () => {
  // Schiller & Naumann 1933, bare spheres at 10 C.
  const bare = (mm: number, density: number) => {
    const d = mm / 1000;
    const w = ((density - WATER_KG_PER_M3) * 9.81 * Math.PI * d ** 3) / 6;
    let v = 0.5;
    for (let n = 0; n < 200; n++) {
      const cd = sphereCd((v * d) / WATER_NU);
      v = 0.5 * (v + Math.sqrt(w / (0.5 * WATER_KG_PER_M3 * cd * Math.PI * 0.25 * d * d)));
    }
    return v;
  };
  const beads = [2, 2.5, 3].flatMap((mm) => [bare(mm, 17500), bare(mm, 8500)]);
  [0.9906, 0.6679, 1.1075, 0.7467, 1.2132, 0.818].forEach((v, i) =>
    expect(beads[i]).toBeCloseTo(v, 3),
  );
  // Stokes' limit.
  expect(bare(0.02, 2650)).toBeCloseTo(2.745e-4, 6);
  expect(bare(0.05, 2650)).toBeCloseTo(1.683e-3, 5);
  const cn = [1, 10, 40, 100, 1000].map(cylinderCd);
  [11, 3.1544, 1.855, 1.4642, 1.1].forEach((v, i) => expect(cn[i]).toBeCloseTo(v, 4));
  // Glauert & Lighthill 1955, as recalled.
  const along = [0.1, 0.3, 0.5].map((v) => v * alongDragPerM(0.15, v));
  [2.0389e-4, 7.0835e-4, 1.2742e-3].forEach((v, i) => expect(along[i]).toBeCloseTo(v, 7));
  expect(acrossDragPerM(0.15, 0.3) / alongDragPerM(0.15, 0.3)).toBeCloseTo(18.5, 0);
  // Their ratio is no constant.
  expect(acrossDragPerM(0.15, 0.02) / alongDragPerM(0.15, 0.02)).toBeLessThan(7);
});

it('hooks, weights and falls of the study', () => {
  const nymph = (hookSize: number, bead: Fly['bead'] = null): Fly => ({
    ...of('nymph-16'),
    hookSize,
    bead,
  });
  const hooks = [10, 14, 16, 18].map((s) => hookMassMg(nymph(s)));
  [51, 28, 19.5, 12.8].forEach((mg, i) => expect(hooks[i]! / mg).toBeCloseTo(1, 1));
  expect(hookMassMg(of('parachute-14'))).toBeCloseTo(19.7, 1);
  const flies = [
    nymph(18, { mm: 2, of: 'tungsten' }),
    nymph(14, { mm: 2.8, of: 'tungsten' }),
    nymph(10, { mm: 3.8, of: 'tungsten' }),
    nymph(14, { mm: 2.8, of: 'brass' }),
  ];
  const mN = flies.map((f) => 1000 * weightInWaterN(f));
  [0.65, 1.73, 4.16, 0.92].forEach((w, i) => expect(mN[i]).toBeCloseTo(w, 1));
  const falls = flies.map((f) =>
    [0, 0.3, 0.6].map((m) =>
      fallSpeedMps(flyShape(f, 'sinking'), { lengthM: m, diameterMm: 0.15 }),
    ),
  );
  const told = [
    [0.52, 0.371, 0.296],
    [0.605, 0.519, 0.464],
    [0.708, 0.656, 0.618],
    [0.437, 0.356, 0.308],
  ];
  told.forEach((row, i) => row.forEach((v, k) => expect(falls[i]![k]).toBeCloseTo(v, 2)));
});

it('strength, joints and turnover', () => {
  const copolymer = [3, 4, 5, 6, 7].map((x) => straightN(mmOfX(x), { stuff: 'copolymer' }));
  [36.3, 27.8, 20.4, 14.2, 9.1].forEach((n, i) => expect(copolymer[i]).toBeCloseTo(n, 1));
  // Rule of eleven (common practice).
  [0.2032, 0.1778, 0.1524, 0.127].forEach((mm, i) => expect(mmOfX(3 + i)).toBeCloseTo(mm, 4));
  const weakest = (
    ['small-stream', 'pocket', 'clear-flat', 'flood', 'tight-line', 'fixed-streamer'] as const
  ).map((id) => weakestJoint(jointsOf(rigFrom(id), USUAL_BOX))!);
  [23.6, 17.4, 17.4, 23.6, 14.7, 30.9].forEach((n, i) =>
    expect(weakest[i]!.strengthN).toBeCloseTo(n, 1),
  );
  expect(weakest.map((j) => j.knot)).toEqual(['clinch', 'bend', 'bend', 'bend', 'ring', 'ring']);
  const passed = (a: number, b: number) => pulsePassed(b / a);
  expect(passed(0.53, 0.4)).toBeCloseTo(0.98, 2);
  expect(passed(mmOfX(3), mmOfX(4))).toBeCloseTo(0.996, 3);
  expect(passed(mmOfX(4), mmOfX(5))).toBeCloseTo(0.994, 3);
  expect(passed(0.4, mmOfX(3))).toBeCloseTo(0.894, 3);
  // AFFTA, grains in 30 ft.
  [0.5669, 0.7086, 0.8504, 0.9921, 1.1338].forEach((g, i) =>
    expect(1000 * lineKgPerM({ weight: i + 2, floats: true, diameterMm: 1.1 })).toBeCloseTo(g, 3),
  );
  expect(() => lineKgPerM({ weight: 9, floats: true, diameterMm: 1.1 })).toThrow(/1 to 8/);
});

it('a figure of the spool wins over what is reckoned', () => {
  const plan = rigFrom('small-stream');
  const parts = plan.parts.map((p) => (p.part === 'section' ? { ...p, strengthN: 10 } : p));
  expect(weakestJoint(jointsOf({ ...plan, parts }, USUAL_BOX))!.strengthN).toBeCloseTo(8.5, 9);
});

it('sums of the builds', () => {
  const at = (id: Parameters<typeof rigFrom>[0]) => measureRig(rigFrom(id), USUAL_BOX);
  expect(at('small-stream').totalM).toBeCloseTo(2.7, 9);
  expect(at('pocket').flies.map((f) => +f.toM.toFixed(3))).toEqual([3.6, 4]);
  expect(at('clear-flat').flies.map((f) => +f.toM.toFixed(3))).toEqual([4.9, 5.6]);
  const flood = at('flood');
  expect(flood.totalM).toBeCloseTo(3.45, 9);
  expect(flood.hungM).toBeCloseTo(2.55, 9);
  expect(flood.placed.find((p) => p.part.part === 'ring')!.atM).toBeCloseTo(2.7, 9);
  expect(flood.floatAtM).toBeCloseTo(0.9, 9);
  const float = at('float');
  expect(float.flies.map((f) => +(f.toM - float.floatAtM!).toFixed(3))).toEqual([0.75, 0.9]);
  expect(at('tight-line').totalM).toBeCloseTo(6.8, 9);
  expect(at('fixed-streamer').totalM).toBeCloseTo(3.85, 9);
});

it('a leader tells the drift what is above what floats, piece by piece', () => {
  const rig = driftRig(rigFrom('pocket'), USUAL_BOX);
  expect(rig.leaderM).toBeCloseTo(3.6, 9);
  expect(rig.tippetM).toBeCloseTo(0.9, 9);
  expect(diameterMm(rig, 0.1)).toBeCloseTo(mmOfX(4), 9);
  expect(diameterMm(rig, 0.5)).toBeCloseTo(mmOfX(3), 9);
  expect(diameterMm(rig, 3.6)).toBe(1.1);
  const float = driftRig(rigFrom('float'), USUAL_BOX);
  expect(float.leaderM).toBeCloseTo(1.8, 9);
  expect(float.flyDragNsPerM).toBe(0.005);
});

it('how near a fish comes with the float at the tip; how far a fixed line fishes', () => {
  const near = (h: number) =>
    (['back', 'upright', 'forward'] as const).map((held) => nearestM(2.7, h, held));
  [0.95, 1.46, 2.61].forEach((m, i) => expect(near(3)[i]).toBeCloseTo(m, 2));
  expect(near(2.55)[0]).toBeCloseTo(0.23, 1);
  expect(near(2.55)[1]).toBe(0);
  const rise = (35 * Math.PI) / 180;
  expect(fixedReachM(3, 3.6, rise)).toBeCloseTo(4.56, 2);
  expect(fixedReachM(3.6, 3.85, rise)).toBeCloseTo(4.99, 2);
  expect(fixedReachM(2.4, 2.8, rise)).toBeCloseTo(3.06, 2);
});

it('every template can be fished as it is', () => {
  for (const id of TEMPLATE_IDS) {
    const check = checkRig(rigFrom(id), USUAL_BOX);
    expect([id, check.refused]).toEqual([id, []]);
    expect([id, check.notes.filter((n) => n.kind === 'order')]).toEqual([id, []]);
  }
});

it('what cannot be is refused at its place, with what was given', () => {
  const plan = rigFrom('float');
  const kinds = (p: RigPlan, box = USUAL_BOX) => checkRig(p, box).refused.map((r) => r.kind);
  const set = (index: number, change: object): RigPlan => ({
    ...plan,
    parts: plan.parts.map((p, i) => (i === index ? { ...p, ...change } : p)) as RigPlan['parts'],
  });
  expect(kinds(set(0, { diameterMm: 0.15, endDiameterMm: 0.5 }))).toEqual(['butt-finer']);
  expect(kinds(set(1, { lengthM: 0 }))).toEqual(['length']);
  expect(kinds(set(2, { hungM: 9 }))).toEqual(['float-too-deep']);
  expect(kinds(set(2, { hungM: 0.1 }))).toEqual(['float-too-low']);
  const box = (change: Partial<Fly>) => USUAL_BOX.map((f) => ({ ...f, ...change }));
  expect(kinds(plan, box({ left: 0 }))).toEqual(['none-left', 'none-left']);
  expect(kinds(plan, box({ bead: { mm: 20, of: 'brass' } }))).toEqual(['bead', 'bead']);
  expect(kinds(plan, [])).toEqual(['no-such-fly', 'no-such-fly']);
  expect(kinds({ ...plan, line: null })).toEqual(['no-line']);
  expect(kinds({ ...plan, parts: [] })).toEqual(['no-leader', 'no-fly']);
  const first = sectionsOf(plan)[0]!;
  expect(first.lengthM).toBe(1.8);
});

it('what is worth knowing: order, hinge, stiff and fine, and what must be lobbed', () => {
  const kinds = (p: RigPlan) => checkRig(p, USUAL_BOX).notes.map((n) => n.kind);
  const plan = rigFrom('usual');
  const thick = { ...sectionsOf(plan)[1]!, diameterMm: 0.3 };
  expect(kinds({ ...plan, parts: [plan.parts[0]!, thick, plan.parts[2]!] })).toEqual(
    expect.arrayContaining(['order', 'stiff']),
  );
  const level = { ...sectionsOf(plan)[0]!, endDiameterMm: 0.5 };
  expect(kinds({ ...plan, parts: [level, plan.parts[1]!, plan.parts[2]!] })).toContain('hinge');
  const fine = { ...sectionsOf(plan)[1]!, diameterMm: 0.1 };
  expect(kinds({ ...plan, parts: [plan.parts[0]!, fine, plan.parts[2]!] })).toContain('fine');
  expect(kinds(rigFrom('float'))).toContain('lob');
  expect(kinds(plan)).not.toContain('lob');
});

it('the water chooses the rig, by a number that is named', () => {
  const water: RigWater = {
    widthM: 3,
    overgrown: 0.1,
    mostDepthM: 0.5,
    surfaceMps: 0.4,
    turbidityNtu: 2,
    tempC: 12,
    windMps: 1,
    pockets: 0.05,
    flats: 0.1,
    flowShare: 1,
    smallChar: false,
    rising: false,
  };
  const first = (change: Partial<RigWater>) => rigsFor({ ...water, ...change })[0]!;
  expect(first({}).id).toBe('small-stream');
  expect(first({ flowShare: 3 })).toMatchObject({ id: 'flood', by: 'flowShare', value: 3 });
  expect(first({ tempC: 4 })).toMatchObject({ id: 'winter', by: 'tempC', value: 4 });
  expect(first({ windMps: 7 }).id).toBe('wind');
  expect(first({ pockets: 0.5 }).id).toBe('pocket');
  expect(first({ flats: 0.8 }).id).toBe('clear-flat');
  expect(first({ flats: 0.8, turbidityNtu: 20 }).id).toBe('small-stream');
  expect(first({ rising: true }).id).toBe('two-dries');
  expect(first({ overgrown: 0.9, widthM: 2.5 }).id).toBe('fixed-streamer');
  expect(first({ mostDepthM: 1.4, widthM: 9 }).id).toBe('float');
});

it('what falls on the water is all of it; with the dropper cut, the dry alone; a float has its mass', () => {
  const plan = usualRig('dry-dropper');
  const tackle = { ...DEFAULT_TACKLE };
  const whole = driftRigOf(plan, tackle, 'dry-dropper').landsMg;
  const cut = driftRigOf(plan, tackle, 'dry').landsMg;
  const flies = measureRig(plan, USUAL_BOX).flies.map((f) => flyMassMg(f.fly!));
  expect(whole).toBeGreaterThanOrEqual(flies.reduce((a, b) => a + b, 0));
  expect(cut).toBeCloseTo(flies[0]!, 9);
  // A ball of 12 mm at a quarter of water: pi/6 12^3 .25 = 226.2 mg.
  expect(floatMassMg(12)).toBeCloseTo(226.2, 1);
});

it('a rig of one’s own is cast with its rod, a template with the rod one has, a fixed line with its own', () => {
  const plan = usualRig('dry');
  const own = { ...plan, id: 'own-1', rod: { ...plan.rod, lengthM: 3 } };
  const tackle = { ...DEFAULT_TACKLE, rigs: [own] };
  expect(rodLengthM(own, tackle, 2.4)).toBe(3);
  expect(rodLengthM(plan, tackle, 2.1)).toBe(2.1);
  expect(rodLengthM(rigFrom('fixed-streamer'), tackle, 2.4)).toBe(3.6);
});
