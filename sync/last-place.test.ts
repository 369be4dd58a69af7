import { keepLastPlace, lastPlace } from './last-place';

const kept = new Map<string, string>();
let full = false;
beforeEach(() => {
  kept.clear();
  full = false;
  (globalThis as { localStorage?: unknown }).localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (full) throw new Error('full');
      kept.set(key, value);
    },
  };
});
afterEach(() => delete (globalThis as { localStorage?: unknown }).localStorage);

const PLACE = { beatId: 'b1', name: 'Alder Run', step: 'Cast', address: '/b/b1/cast?mark=m1' };

it('says where this device was last, with all that the address held', () => {
  expect(lastPlace()).toBeNull();
  keepLastPlace(PLACE);
  expect(lastPlace()).toEqual(PLACE);
});

it('a device that keeps nothing, or holds something else there, remembers nothing', () => {
  full = true;
  expect(() => keepLastPlace(PLACE)).not.toThrow();
  expect(lastPlace()).toBeNull();
  kept.set('pebble-last-place', '{"beatId":"b1","name":"x","step":"Cast","address":"//elsewhere"}');
  expect(lastPlace()).toBeNull();
  kept.set('pebble-last-place', 'no JSON');
  expect(lastPlace()).toBeNull();
});
