/** One vertical of a taped section: offset from the first, depth, depth-mean speed. */
export interface Vertical {
  offsetM: number;
  depthM: number;
  speedMps: number;
}

export interface SectionDischarge {
  dischargeM3s: number;
  areaM2: number;
  widthM: number;
  /** Share of the discharge in each panel, in order; 0-1. */
  panelShare: number[];
  largestShare: number;
  /** 'good' at most 5 % in a panel, 'fair' at most 10 %, else 'coarse': more verticals are needed. */
  quality: 'good' | 'fair' | 'coarse';
}

/** Shares of the discharge that a panel may hold (ISO 748). */
const GOOD_PANEL = 0.05;
const FAIR_PANEL = 0.1;

/**
 * Discharge by the mid-section method: q_i = v_i d_i (b_{i+1} - b_{i-1}) / 2, the end panels
 * reaching to the first and last vertical. ISO 748; USGS TM 3-A8. Throws RangeError for fewer than
 * 3 verticals or offsets that do not grow.
 */
export function dischargeMidSection(verticals: readonly Vertical[]): SectionDischarge {
  const n = verticals.length;
  if (n < 3) throw new RangeError(`a section needs at least 3 verticals, got ${n}`);
  const q: number[] = [];
  let areaM2 = 0;
  for (let i = 0; i < n; i++) {
    const here = verticals[i]!;
    const low = verticals[Math.max(0, i - 1)]!.offsetM;
    const high = verticals[Math.min(n - 1, i + 1)]!.offsetM;
    if (i > 0 && !(here.offsetM > low))
      throw new RangeError(`offsets must grow, got ${low} then ${here.offsetM}`);
    const width = (high - low) / 2;
    areaM2 += here.depthM * width;
    q.push(here.speedMps * here.depthM * width);
  }
  const dischargeM3s = q.reduce((a, b) => a + b, 0);
  const panelShare = q.map((part) => (dischargeM3s > 0 ? part / dischargeM3s : 0));
  const largestShare = Math.max(...panelShare);
  return {
    dischargeM3s,
    areaM2,
    widthM: verticals[n - 1]!.offsetM - verticals[0]!.offsetM,
    panelShare,
    largestShare,
    quality: largestShare <= GOOD_PANEL ? 'good' : largestShare <= FAIR_PANEL ? 'fair' : 'coarse',
  };
}

/** Depth mean over surface speed of a float: .85, range .84-.90 (Rantz 1982); .66-.80 on rough mountain beds. */
export const FLOAT_COEFFICIENT = { ordinary: 0.85, roughBed: 0.73 };

/** Discharge by a float over a section: surface speed x coefficient x area. Rantz (1982). */
export function dischargeByFloat(input: {
  distanceM: number;
  seconds: number;
  areaM2: number;
  coefficient?: number;
}): number {
  const { distanceM, seconds, areaM2, coefficient = FLOAT_COEFFICIENT.ordinary } = input;
  if (!(distanceM > 0 && seconds > 0 && areaM2 > 0))
    throw new RangeError(
      `distance, time and area must be positive, got ${distanceM} m, ${seconds} s, ${areaM2} m2`,
    );
  return (distanceM / seconds) * coefficient * areaM2;
}

/** At a station: width, depth, speed grow with discharge to these powers (Leopold & Maddock 1953). */
export const HYDRAULIC_GEOMETRY = { width: 0.26, depth: 0.4, speed: 0.34 } as const;

/**
 * Discharge of another stage from one surveyed: Q = Q0 (now / then)^(1 / exponent), for a width, a
 * mean depth or a speed read at the same station. Leopold & Maddock (1953), means of many streams:
 * a factor of 1.3 either way is usual.
 */
export function dischargeFromStage(
  surveyedM3s: number,
  measure: keyof typeof HYDRAULIC_GEOMETRY,
  then: number,
  now: number,
): number {
  if (!(surveyedM3s > 0 && then > 0 && now > 0))
    throw new RangeError(`all must be positive, got ${surveyedM3s} m3/s, ${then}, ${now}`);
  return surveyedM3s * (now / then) ** (1 / HYDRAULIC_GEOMETRY[measure]);
}
