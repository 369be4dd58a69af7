import type { Lay, LayKind } from '../core/cast/index';

/** What each lay is called. */

export const TOWARD = { 'up-current': 'up', 'down-current': 'down' } as const;

const KINDS: Record<LayKind, string> = {
  straight: 'Straight',
  reach: 'Reach',
  slack: 'Slack',
  pile: 'Pile',
  curve: 'Curve',
  'aerial-mend': 'Aerial mend',
  feed: 'Feed line',
  'late-feed': 'Feed once past',
  'high-stick': 'High stick',
  'bow-and-arrow': 'Bow and arrow',
  roll: 'Roll',
  'bank-lay': 'Bank lay',
};
export const layKindName = (kind: LayKind) => KINDS[kind];

export const layName = (lay: Lay): string =>
  'toward' in lay ? `${KINDS[lay.kind]} ${TOWARD[lay.toward]}` : KINDS[lay.kind];
