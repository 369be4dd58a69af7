import { lerp, smoothstep, type Place } from '../../grid/index';
import type { Sketch } from './sketch';

/**
 * The middle of a sketched stream: distance s along it from the foot, turned so that its chord is
 * the x axis, with the width at each s.
 */
export interface StreamLine {
  lengthM: number;
  /** Length of the chord: the beat's length along x. */
  chordM: number;
  /** Greatest departure of the heading from the chord, degrees, and the piece it is in. */
  greatestBend: { deg: number; piece: number };
  /** s at the foot of each piece, and at the head of the last. */
  startsM: number[];
  at(sM: number): { middle: Place; headingRad: number; widthM: number };
  /** A place: 0 at the true left edge, 1 at the true right, beyond in shares of the width. */
  place(sM: number, across: number): Place;
}

const STEP_M = 0.25;
/** Two pieces' widths run into one another over at most this, m. */
const BLEND_M = 3;

export function createStreamLine(sketch: Sketch): StreamLine {
  const { pieces } = sketch;
  const startsM = [0];
  for (const piece of pieces) startsM.push(startsM[startsM.length - 1]! + piece.lengthM);
  const lengthM = startsM[startsM.length - 1]!;
  const pieceAt = (s: number) => {
    let i = 0;
    while (i < pieces.length - 1 && s >= startsM[i + 1]!) i++;
    return i;
  };
  const steps = Math.max(1, Math.ceil(lengthM / STEP_M));
  const ds = lengthM / steps;
  const xs = [0];
  const ys = [0];
  const headings: number[] = [];
  let heading = 0;
  for (let n = 0; n < steps; n++) {
    const piece = pieces[pieceAt((n + 0.5) * ds)]!;
    const turn = ((piece.bendDeg * Math.PI) / 180 / piece.lengthM) * ds;
    headings.push(heading + turn / 2);
    xs.push(xs[n]! + ds * Math.cos(heading + turn / 2));
    ys.push(ys[n]! + ds * Math.sin(heading + turn / 2));
    heading += turn;
  }
  const chord = Math.atan2(ys[steps]!, xs[steps]!);
  const [c, sn] = [Math.cos(chord), Math.sin(chord)];
  const middle = (n: number): Place => ({
    xM: xs[n]! * c + ys[n]! * sn,
    yM: -xs[n]! * sn + ys[n]! * c,
  });
  let greatest = { deg: 0, piece: 0 };
  headings.forEach((h, n) => {
    const deg = (Math.abs(h - chord) * 180) / Math.PI;
    if (deg > greatest.deg) greatest = { deg, piece: pieceAt((n + 0.5) * ds) };
  });
  const widthAt = (s: number) => {
    const i = pieceAt(s);
    const own = pieces[i]!.widthM;
    const blendWith = (k: number, edge: number) => {
      const reach = Math.min(BLEND_M, pieces[i]!.lengthM, pieces[k]!.lengthM) / 2;
      const t = smoothstep(-reach, reach, Math.abs(s - edge) * (s >= edge ? 1 : -1));
      return k < i ? lerp(pieces[k]!.widthM, own, t) : lerp(own, pieces[k]!.widthM, t);
    };
    const low = startsM[i]!;
    const high = startsM[i + 1]!;
    if (i > 0 && s - low < high - s) return blendWith(i - 1, low);
    if (i < pieces.length - 1 && s - low >= high - s) return blendWith(i + 1, high);
    return own;
  };
  const at = (sM: number) => {
    const g = sM / ds;
    const n = Math.min(steps - 1, Math.max(0, Math.floor(g)));
    const a = middle(n);
    const b = middle(n + 1);
    // Beyond the ends the stream goes straight on.
    const t = g - n;
    const headingRad = headings[n]! - chord;
    return {
      middle: { xM: a.xM + t * (b.xM - a.xM), yM: a.yM + t * (b.yM - a.yM) },
      headingRad,
      widthM: widthAt(Math.min(lengthM, Math.max(0, sM))),
    };
  };
  return {
    lengthM,
    chordM: middle(steps).xM,
    greatestBend: greatest,
    startsM,
    at,
    place(sM, across) {
      const { middle: m, headingRad, widthM } = at(sM);
      const off = (across - 0.5) * widthM;
      return { xM: m.xM - off * Math.sin(headingRad), yM: m.yM + off * Math.cos(headingRad) };
    },
  };
}
