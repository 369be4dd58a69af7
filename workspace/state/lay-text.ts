import type { Lay, Mend, Toward } from '../../core/cast/index';

/** Lays and mends as a link holds them: kind, then side and amount where it has one. */

/** Least and greatest amount of each lay that has one; the rest are a kind alone. */
export const LAY_AMOUNTS = {
  reach: [0.2, 2.5],
  slack: [0.02, 0.6],
  pile: [0.2, 3],
  curve: [0.2, 2],
  'aerial-mend': [0.2, 2.5],
  feed: [0.2, 1.5],
} as const;
const ALONE = ['straight', 'late-feed', 'high-stick', 'bow-and-arrow', 'roll', 'bank-lay'] as const;
const MEND = { atS: [0.1, 8], amountM: [0.2, 2] } as const;

const side = (toward: Toward) => (toward === 'up-current' ? 'up' : 'down');
const toward = (text: string): Toward => (text === 'up' ? 'up-current' : 'down-current');

export function layText(lay: Lay): string {
  if (lay.kind === 'reach') return `reach.${side(lay.toward)}.${lay.amountM.toFixed(1)}`;
  const part = (amount: number | undefined, digits: number) =>
    amount === undefined ? '' : `.${amount.toFixed(digits)}`;
  if (lay.kind === 'slack') return `slack${part(lay.share, 2)}`;
  if (lay.kind === 'pile') return `pile${part(lay.extraM, 1)}`;
  if (lay.kind === 'feed') return `feed${part(lay.gain, 1)}`;
  if (lay.kind === 'curve' || lay.kind === 'aerial-mend')
    return `${lay.kind}.${side(lay.toward)}${part(lay.amountM, 1)}`;
  return lay.kind;
}

/** What a link may say, for the sentence when it does not. */
export const LAYS_POSSIBLE = `one of ${ALONE.join(', ')}, slack, pile, feed, or a reach, curve or aerial mend with side and metres like reach.up.1.6`;

export function parseLay(text: string): Lay | null {
  const alone = ALONE.find((kind) => kind === text);
  if (alone) return { kind: alone };
  const m =
    /^(reach|slack|pile|curve|aerial-mend|feed)(?:\.(up|down))?(?:\.(\d+(?:\.\d+)?))?$/.exec(text);
  if (!m) return null;
  const kind = m[1] as keyof typeof LAY_AMOUNTS;
  const [least, most] = LAY_AMOUNTS[kind];
  const amount = m[3] === undefined ? undefined : Number(m[3]);
  if (amount !== undefined && !(amount >= least && amount <= most)) return null;
  const sided = kind === 'reach' || kind === 'curve' || kind === 'aerial-mend';
  if (sided !== (m[2] !== undefined)) return null;
  if (kind === 'reach')
    return amount === undefined ? null : { kind, toward: toward(m[2]!), amountM: amount };
  if (kind === 'curve' || kind === 'aerial-mend')
    return { kind, toward: toward(m[2]!), ...(amount !== undefined && { amountM: amount }) };
  if (kind === 'slack') return { kind, ...(amount !== undefined && { share: amount }) };
  if (kind === 'pile') return { kind, ...(amount !== undefined && { extraM: amount }) };
  return { kind, ...(amount !== undefined && { gain: amount }) };
}

export const mendText = (m: Mend) =>
  `${m.atS.toFixed(1)}.${side(m.toward)}.${m.amountM.toFixed(1)}`;

export function parseMend(text: string): Mend | null {
  const m = /^(\d+\.\d)\.(up|down)\.(\d+\.\d)$/.exec(text);
  if (!m) return null;
  const [atS, amountM] = [Number(m[1]), Number(m[3])];
  const fits = (v: number, [least, most]: readonly [number, number]) => v >= least && v <= most;
  if (!fits(atS, MEND.atS) || !fits(amountM, MEND.amountM)) return null;
  return { atS, toward: toward(m[2]!), amountM };
}
