import { LAY_KINDS, SEARCHED_LAYS, type Lay } from '../../core/cast/index';
import { layText, mendText, parseLay, parseMend } from './lay-text';

it.each(SEARCHED_LAYS.map((lay): [string, Lay] => [layText(lay), lay]))(
  'a link holds %s and gives it back',
  (text, lay) => {
    expect(parseLay(text)).toEqual(lay);
  },
);
it('every kind has its text', () => {
  expect(new Set(SEARCHED_LAYS.map((l) => l.kind))).toEqual(new Set(LAY_KINDS));
});
it('keeps amounts', () => {
  for (const lay of [
    { kind: 'slack', share: 0.3 },
    { kind: 'pile', extraM: 2 },
    { kind: 'feed', gain: 0.8 },
    { kind: 'curve', toward: 'down-current', amountM: 1.1 },
  ] as Lay[])
    expect(parseLay(layText(lay))).toEqual(lay);
});
it.each(['reach', 'reach.up', 'reach.up.9', 'slack.up.0.1', 'curve.0.8', 'throw', 'pile.99', ''])(
  'leaves out %s',
  (text) => expect(parseLay(text)).toBeNull(),
);
it('mends', () => {
  const mend = { atS: 0.6, toward: 'up-current', amountM: 0.8 } as const;
  expect(parseMend(mendText(mend))).toEqual(mend);
  for (const bad of ['', '0.6.up', '0.6.left.0.8', '99.0.up.0.8', '0.6.up.9.0'])
    expect(parseMend(bad)).toBeNull();
});
