// Whether what was found could be chance (Wilson; Newcombe)
import { difference, wilson } from '../../core/learn/index';

const share = wilson(7, 20);
console.log(`7 of 20: ${(100 * share.low).toFixed(0)} to ${(100 * share.high).toFixed(0)} in 100`);
const between = difference({ k: 7, n: 20 }, { k: 12, n: 20 });
console.log(between.low < 0 && between.high > 0 ? 'the two could be the same' : 'they differ');
