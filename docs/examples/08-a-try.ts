// A try is what its events come to, in whatever order they arrive
import { foldTry, type TryEvent } from '../../core/log/index';

const event = (seq: number, code: TryEvent['code'], more = {}): TryEvent => ({
  id: `e${seq}`,
  device: 'phone',
  seq,
  code,
  clientMs: 1000 * seq,
  zoneOffsetMin: 0,
  ...more,
});
const events = [event(3, 'landing', { lengthCm: 27 }), event(1, 'cast'), event(2, 'hook')];
const { state, casts, landedCm } = foldTry('Dun 16', events);
console.log(`${state} after ${casts} casts, ${landedCm} cm`);
console.log(foldTry('Dun 16', [...events, event(4, 'undo', { undoes: 'e3' })]).state);
