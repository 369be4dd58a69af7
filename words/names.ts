import type { LieKind } from '../core/lies/index';
import type { Posture } from '../core/sight/index';

/** Names and shares that every page says, apart from what only one step says. */

const KIND_NAMES: Record<LieKind, string> = {
  cushion: 'Cushion ahead of a rock',
  pocket: 'Pocket behind a rock',
  seam: 'Seam',
  'tongue-edge': 'Edge of the tongue',
  undercut: 'Undercut bank',
  overhang: 'Under the boughs',
  log: 'By the log',
  'ledge-foot': 'Foot of the step',
  'slab-v': 'Slab and gravel V',
  depression: 'Hollow in the bed',
  plunge: 'Plunge',
  'tail-lip': 'Lip of the tail',
  'foam-line': 'Foam line',
  eddy: 'Back-eddy',
  margin: 'Margin',
  'spring-mouth': 'Spring mouth',
  'weed-lane': 'Lane in the weed',
  run: 'Open water',
};
export const lieName = (kind: LieKind) => KIND_NAMES[kind];

export const POSTURE_NAMES: Record<Posture, string> = {
  stand: 'Stand',
  crouch: 'Crouch',
  kneel: 'Kneel',
  crawl: 'Crawl',
};
export const postureName = (posture: Posture) => POSTURE_NAMES[posture];

export const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);

export const inHundred = (share: number) => `${Math.round(100 * share)} in 100`;
