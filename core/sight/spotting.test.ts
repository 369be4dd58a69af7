import type { BeatPlan } from '../formats/index';
import { cellIndex } from '../grid/index';
import { madeFlow } from '../water/fixtures/waters';
import {
  attenuationOfBlackDisc,
  attenuationOfSecchi,
  beamTransmission,
  createScene,
  exposure,
  inWindow,
  koschmiederRangeM,
  lookoutAt,
  lookouts,
  MIRRORED,
  shadeField,
  shadowLengthM,
  skyLight,
  slopeVariance,
  spotting,
  windowView,
  type Conditions,
  type Fish,
  type SpottingView,
} from './index';

const DEG = Math.PI / 180;

describe('light in and on the water', () => {
  it('range of contrast (Koschmieder 1924): C0 .5, Ct .02, c 4', () => {
    expect(koschmiederRangeM(0.5, 0.02, 4)).toBeCloseTo(0.805, 3);
    expect(koschmiederRangeM(0.01, 0.02, 4)).toBe(0);
  });
  it('dimming along a path (Beer-Lambert) halves at ln 2 over c, and multiplies', () => {
    expect(beamTransmission(2, Math.LN2 / 2)).toBeCloseTo(0.5, 12);
    expect(beamTransmission(1.3, 0.7)).toBeCloseTo(
      beamTransmission(1.3, 0.3) * beamTransmission(1.3, 0.4),
      12,
    );
  });
  it('slopes by wind (Cox & Munk 1954), black disc (Zaneveld & Pegau 2003), Secchi (Poole & Atkins 1929)', () => {
    expect(slopeVariance(0)).toBeCloseTo(0.003, 12);
    expect(slopeVariance(5)).toBeCloseTo(0.0286, 12);
    expect(attenuationOfBlackDisc(2)).toBeCloseTo(2.4, 12);
    expect(attenuationOfSecchi(3.4)).toBeCloseTo(0.5, 12);
  });
  it('shadow on flat ground: H/tan(altitude)', () => {
    expect(shadowLengthM(8, 45 * DEG)).toBeCloseTo(8, 9);
    expect(shadowLengthM(8, 30 * DEG)).toBeCloseTo(13.856, 3);
    expect(shadowLengthM(8, 0)).toBe(Infinity);
  });
});

/** A clear noon with the sun behind the eye, a dark bank across, smooth clear water. */
const fair: SpottingView = {
  eyeHeightM: 1.65,
  distanceM: 5,
  fishDepthM: 0.5,
  totalLengthCm: 27,
  mirrored: MIRRORED.bank,
  sky: 'clear',
  skyLight: 1,
  sun: { altitudeRad: 50 * DEG, awayRad: 150 * DEG },
  sunOnFish: 1,
  sunOnSurface: 1,
  windMps: 0.5,
  broken: 0,
  turbidityNtu: 1,
  polarised: true,
};
const share = (more: Partial<SpottingView> = {}) => spotting({ ...fair, ...more }).share;
const contrast = (more: Partial<SpottingView> = {}) => spotting({ ...fair, ...more }).contrast;

describe('spotting (common practice)', () => {
  it('a good day at five metres: most glances see it', () => {
    expect(share()).toBeGreaterThan(0.6);
  });
  it('polarised glasses help most near 53 degrees from the vertical', () => {
    const gain = (deg: number) => {
      // Eye and fish so that the line of sight meets the water at this angle.
      const more = {
        eyeHeightM: 1.65,
        distanceM: 1.65 * Math.tan(deg * DEG) + 0.4,
        mirrored: MIRRORED.sky.overcast,
        sky: 'overcast' as const,
        sun: null,
      };
      return contrast({ ...more, polarised: true }) / contrast({ ...more, polarised: false });
    };
    const angles = [10, 20, 30, 40, 48, 53, 58, 64, 70, 76, 82];
    const best = angles.reduce((a, b) => (gain(b) > gain(a) ? b : a));
    expect(best).toBeGreaterThanOrEqual(48);
    expect(best).toBeLessThanOrEqual(64);
    expect(gain(53)).toBeGreaterThan(1.2 * gain(10));
    expect(gain(53)).toBeGreaterThan(1.2 * gain(82));
  });
  it('a high bank sees further in', () => {
    const far = (eyeHeightM: number) => {
      let d = 1;
      while (d < 30 && share({ eyeHeightM, distanceM: d, mirrored: MIRRORED.sky.clear }) > 0.5)
        d += 0.25;
      return d;
    };
    expect(far(3.4)).toBeGreaterThan(1.25 * far(1.65));
  });
  it('a dark far bank beats a bright sky', () => {
    expect(share({ distanceM: 9, mirrored: MIRRORED.plants })).toBeGreaterThan(
      share({ distanceM: 9, mirrored: MIRRORED.sky.clear }) + 0.1,
    );
  });
  it('wind hurts, and a riffle hurts more', () => {
    expect(share({ windMps: 6 })).toBeLessThan(share());
    expect(share({ broken: 0.6 })).toBeLessThan(share({ windMps: 6 }));
  });
  it('a covered sky with nothing dark across is worse than the sun behind', () => {
    const grey = { sky: 'overcast', sun: null, mirrored: MIRRORED.sky.overcast } as const;
    expect(share(grey)).toBeLessThan(share({ mirrored: MIRRORED.sky.clear }));
  });
  it('dusk takes it away, night all of it', () => {
    const down = (deg: number) => share({ sun: null, sunOnFish: 0, skyLight: skyLight(deg * DEG) });
    expect(down(-3)).toBeLessThan(down(2));
    expect(down(-9)).toBeLessThan(0.05);
    expect(skyLight(30 * DEG)).toBe(1);
  });
  it('the sun ahead glitters, and says so', () => {
    const ahead = spotting({ ...fair, sun: { altitudeRad: 22 * DEG, awayRad: 0 }, windMps: 3 });
    expect(ahead.share).toBeLessThan(0.5 * share());
    expect(ahead.because).toBe('glitter');
  });
  it('stain, depth, distance and a small fish each take away', () => {
    expect(share({ turbidityNtu: 8 })).toBeLessThan(share());
    expect(spotting({ ...fair, turbidityNtu: 15 }).because).toBe('stain');
    expect(share({ fishDepthM: 1.2 })).toBeLessThan(share());
    expect(share({ distanceM: 12 })).toBeLessThan(share());
    expect(share({ totalLengthCm: 10, distanceM: 9 })).toBeLessThan(share({ distanceM: 9 }));
  });
  it('kneeling at eight metres is seen less than standing at twelve; behind is seen least', () => {
    const at = (distanceM: number, topM: number, offDeg = 90) =>
      exposure({
        distanceM,
        topM,
        fishDepthM: 0.6,
        hiddenBelowM: 0,
        contrast: 0.545,
        roughness: 0.25,
        offRad: offDeg * DEG,
      });
    expect(at(8, 0.9)).toBeLessThan(at(12, 1.8));
    const all = [0, 45, 90, 135, 160, 180].map((off) => at(6, 1.8, off));
    expect(Math.min(...all)).toBe(all[5]);
  });
});

/** 30 m of straight water 8 m wide; bushes along the far (true right) bank, open ground on the left. */
const line = (...points: [number, number][]) => ({
  type: 'LineString' as const,
  line: points.map(([xM, yM]) => ({ xM, yM })),
});
const plan: BeatPlan = {
  version: 1,
  name: 'Straight',
  lengthM: 24,
  slope: 0.003,
  bearingDeg: 0,
  levels: [{ name: 'Fair', dischargeM3s: 1, how: 'made' }],
  surveyedLevel: 'Fair',
  features: [
    { kind: 'bank', side: 'left', form: 'sloping', shape: line([0, -4], [24, -4]) },
    { kind: 'bank', side: 'right', form: 'cut', heightM: 0.8, shape: line([0, 4], [24, 4]) },
    {
      kind: 'bush',
      heightM: 2.5,
      shape: {
        type: 'Polygon',
        ring: [
          { xM: 0, yM: 4.6 },
          { xM: 12, yM: 4.6 },
          { xM: 12, yM: 7 },
          { xM: 0, yM: 7 },
        ],
      },
    },
  ],
};
const flow = madeFlow((_x, y) => (Math.abs(y) < 4 ? -0.3 : 0));
for (let k = 0; k < flow.depthM.length; k++) {
  const y = flow.y0M + Math.floor(k / flow.nx) * flow.cellM;
  if (Math.abs(y) >= 4) {
    flow.depthM[k] = 0;
    flow.surfaceM[k] = NaN;
  }
}
const scene = createScene(plan, flow);
const fish: Fish = {
  id: 'f',
  xM: 6,
  yM: 0,
  fishDepthM: 0.35,
  headingRad: 0,
  totalLengthCm: 27,
  surety: 'sure',
};
const hour = (altDeg: number, planDeg: number): Conditions => ({
  sunAltitudeRad: altDeg * DEG,
  sunPlanRad: altDeg > 0 ? planDeg * DEG : null,
  sky: 'clear',
  windMps: 1,
});
const looking = { posture: 'stand', heightM: 1.75, polarised: true } as const;

describe('shade on the water', () => {
  const lit = (c: Conditions, x: number, y: number) => shadeField(scene, c)[cellIndex(flow, x, y)]!;
  it('lies as long as the height over the tangent of the sun', () => {
    // Bushes 2.5 m over the bank at y 4.6; at 30 degrees from true right the shadow is some 5 m long.
    const c = hour(30, 90);
    expect(lit(c, 6, 3.5)).toBe(1);
    expect(lit(c, 6, -3.5)).toBe(0);
    expect(lit(c, 18, 2)).toBe(0);
    expect(lit(hour(12, 90), 6, -3.5)).toBeGreaterThan(0.5);
    expect(lit(hour(30, -90), 6, 3.5)).toBe(0);
  });
  it('all of it is shade once the sun is down, and none stands out under cloud', () => {
    expect(lit(hour(0, 0), 6, 0)).toBe(1);
    const grey = { ...hour(30, 90), sky: 'overcast' as const };
    expect(lit(grey, 6, 3.5)).toBe(lit(grey, 6, -3.5));
  });
});

describe('lookouts', () => {
  const hours = [hour(15, 90), hour(50, -90), hour(0, 0)];
  const found = lookouts(scene, { ...looking, targets: [fish], hours });
  it('are on dry ground, apart, best first, and see something', () => {
    expect(found.length).toBeGreaterThan(1);
    for (const l of found) {
      const k = cellIndex(flow, l.xM, l.yM);
      expect(k < 0 || flow.depthM[k]! < 0.05).toBe(true);
      expect(l.mean[l.bestHour]!).toBeGreaterThan(0.05);
      expect(l.mean[l.bestHour]).toBe(Math.max(...l.mean));
    }
    for (const a of found)
      for (const b of found)
        if (a !== b) expect(Math.hypot(a.xM - b.xM, a.yM - b.yM)).toBeGreaterThanOrEqual(3);
  });
  it('the left bank looks at the dark bushes; the right bank at open sky', () => {
    const from = (yM: number, x = 6) =>
      lookoutAt(
        scene,
        { ...looking, targets: [{ ...fish, xM: x }], hours: [hour(50, 180)] },
        { xM: x, yM },
      )?.mean[0] ?? 0;
    expect(from(-5)).toBeGreaterThan(from(5, 18));
  });
  it('the sun in the eyes is worth waiting out', () => {
    const at = lookoutAt(scene, { ...looking, targets: [fish], hours }, { xM: 6, yM: -5 })!;
    expect(at.bestHour).toBe(1);
    expect(at.mean[2]!).toBeLessThan(at.mean[1]!);
  });
  it('nothing is seen through a bush', () => {
    expect(lookoutAt(scene, { ...looking, targets: [fish], hours }, { xM: 6, yM: 8 })).toBeNull();
  });
  it('no fish, no lookout', () => {
    expect(lookouts(scene, { ...looking, targets: [], hours })).toEqual([]);
  });
});

describe('what the fish sees', () => {
  it('the horizon is the edge, the zenith the middle; the lowest ten degrees are squeezed', () => {
    expect(inWindow(0)).toBeCloseTo(1, 12);
    expect(inWindow(Math.PI / 2)).toBeCloseTo(0, 12);
    // The lowest 10 degrees are squeezed into .978 degrees at the edge, 20 into 3.781 (Snell).
    expect((1 - inWindow(10 * DEG)) * 48.6066).toBeCloseTo(0.978, 3);
    expect((1 - inWindow(20 * DEG)) * 48.6066).toBeCloseTo(3.781, 3);
  });
  it('bushes reach further in than open ground; a kneeling angler less than a standing one', () => {
    const view = (posture: 'stand' | 'kneel') =>
      windowView(scene, fish, { xM: 6, yM: -7, posture, heightM: 1.75, rodM: 2.4 }, hour(40, 0));
    const stand = view('stand');
    const toward = (rad: number) =>
      stand.skyline.reduce((a, b) =>
        Math.cos(b.bearingRad - rad) > Math.cos(a.bearingRad - rad) ? b : a,
      );
    expect(toward(Math.PI / 2).plants).toBeLessThan(toward(-Math.PI / 2).plants);
    expect(stand.angler!.top).toBeLessThan(view('kneel').angler!.top);
    expect(stand.rod!.top).toBeLessThan(stand.angler!.top);
    expect(stand.angler!.bearingRad).toBeCloseTo(-Math.PI / 2, 6);
    expect(stand.sun!.at).toBeCloseTo(inWindow(40 * DEG), 12);
    expect(stand.radiusM).toBeCloseTo(1.134542 * 0.35, 6);
  });
});
