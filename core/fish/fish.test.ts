import {
  fastestFeedingMps,
  fishBody,
  greatestIntakeCalPerDay,
  holdingCost,
  oxygenSaturationMgL,
  reactionDistanceCm,
  relativeWeight,
  respirationGO2,
  standardWeightG,
  territoryM2,
  appetiteJph,
  depthSuitability,
  temperatureSuitability,
  ASSIMILATED,
  turbidityFactor,
  VMAX_HUGHES_DILL,
} from './index';

describe('standard weight', () => {
  // Milewski & Brown 1994; Simpkins & Hubert 1996; Kruse & Hubert 1997; Hyatt & Hubert 2001.
  it.each([
    ['brown', 250, 170.18],
    ['brown', 300, 291.93],
    ['rainbow', 250, 169.19],
    ['cutthroat', 250, 174.67],
    ['brook', 250, 179.81],
  ] as const)('%s of %i mm weighs %f g', (species, mm, g) => {
    expect(standardWeightG(species, mm)).toBeCloseTo(g, 1);
    expect(relativeWeight(species, mm, g)).toBeCloseTo(100, 1);
  });
});

describe('energy', () => {
  it('respiration of 100 g at 10 C (Dieterman et al. 2004)', () => {
    expect(respirationGO2(100, 10, 0)).toBeCloseTo(0.000962, 6);
    expect(respirationGO2(100, 10, 0.2)).toBeCloseTo(0.001537, 6);
  });
  it('greatest intake of 100 g at 10 C (Elliott)', () => {
    expect(greatestIntakeCalPerDay(100, 10, 24.7)).toBeCloseTo(2737, -1);
    expect(greatestIntakeCalPerDay(100, 24.7, 24.7)).toBe(0);
    expect(greatestIntakeCalPerDay(100, 1.9, 24.7)).toBeCloseTo(
      greatestIntakeCalPerDay(100, 3.8, 24.7) / 2,
      6,
    );
  });
  it('stained water shortens it (Barrett et al. 1992), evenly between what was measured', () => {
    expect([0, 15, 30].map(turbidityFactor)).toEqual([1, 0.8, 0.45]);
    expect(turbidityFactor(22.5)).toBeCloseTo(0.625, 9);
    expect(turbidityFactor(60)).toBeLessThan(turbidityFactor(30));
  });
  it('reaction distance (Hughes & Dill 1990)', () => {
    expect(reactionDistanceCm(5, 20)).toBeCloseTo(58.9, 2);
    expect(reactionDistanceCm(8, 30)).toBeCloseTo(95.76, 2);
    // Lateral reach at 30 cm/s: RD sqrt(1 - (V/Vmax)^2), Vmax from memory.
    const vmax = fastestFeedingMps(20, 11, VMAX_HUGHES_DILL) * 100;
    expect(vmax).toBeCloseTo(64.01, 1);
    expect(reactionDistanceCm(3, 20) * Math.sqrt(1 - (30 / vmax) ** 2)).toBeCloseTo(31.22, 1);
  });
  it('territory (Grant & Kramer 1990)', () => {
    expect(territoryM2(10)).toBeCloseTo(0.603, 3);
    expect(territoryM2(20)).toBeCloseTo(3.679, 2);
    expect(territoryM2(25)).toBeCloseTo(6.586, 2);
  });
  it('profit can never exceed twice the cost at rest', () => {
    for (const species of ['brown', 'brook'] as const) {
      for (const tempC of [2, 6, 11, 16, 20]) {
        const { weightG } = fishBody(species, 25);
        const rest = holdingCost(species, weightG, tempC, 0);
        expect(ASSIMILATED * appetiteJph(species, weightG, tempC) - rest).toBeLessThanOrEqual(
          2 * rest + 1e-9,
        );
      }
    }
  });
});

describe('oxygen at saturation (Benson & Krause 1984; APHA 4500-O)', () => {
  it.each([
    [0, 0, 14.621],
    [10, 0, 11.288],
    [15, 0, 10.084],
    [20, 0, 9.092],
    [10, 1000, 9.998],
    [20, 1000, 8.041],
  ])('%i C at %i m: %f mg/L', (tempC, altitudeM, mgL) => {
    expect(oxygenSaturationMgL(tempC, altitudeM)).toBeCloseTo(mgL, 2);
  });
});

describe('the other bands and corners, each by hand', () => {
  // A W^b1 e^(b2 T) of 100 g: 2.902 x 100^.762 e^(.418 x 5) = 784.5; 26.433 x 100^.767 e^(.126 x 15) = 5982.
  it.each([
    [5, 2.902 * 100 ** 0.762 * Math.exp(0.418 * 5), 784.5],
    [15, 26.433 * 100 ** 0.767 * Math.exp(0.126 * 15), 5982],
  ])('greatest intake at %i C (Elliott, from memory)', (tempC, formula, byHand) => {
    expect(formula / byHand).toBeCloseTo(1, 2);
    expect(greatestIntakeCalPerDay(100, tempC, 24.7)).toBeCloseTo(formula, 6);
  });
  it.each([
    ['brown', 6, 23],
    ['rainbow', 6, 21.5],
    ['brook', 5.5, 20],
    ['cutthroat', 6, 18.5],
  ] as const)(
    '%s: half suited midway up and midway down (surrogate, from memory)',
    (s, up, down) => {
      expect(temperatureSuitability(s, up)).toBeCloseTo(0.5, 9);
      expect(temperatureSuitability(s, down)).toBeCloseTo(0.5, 9);
    },
  );
  it('depth that hides an adult (surrogate, from memory)', () => {
    expect([0.15, 0.225, 0.3, 0.4, 0.5, 0.75].map(depthSuitability)).toEqual(
      [0.1, 0.25, 0.4, 0.65, 0.9, 1].map((v) => expect.closeTo(v, 9)),
    );
  });
});
