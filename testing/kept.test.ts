import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { POCKETS } from '../core/lies/fixtures/beats';
import { rateLies } from '../core/lies/index';
import { solveFlow } from '../core/water/index';
import { kept, versionUpTo } from './kept';
import { keptFlow, keptLies } from './solved';

const fresh = () => mkdtempSync(join(tmpdir(), 'pebble-kept-'));

it('what is kept is what would be worked out now, to the last bit', () => {
  const options = { dischargeM3s: POCKETS.levels[0]!.dischargeM3s, cellM: 0.4, onlyCoarse: true };
  const trout = { species: 'brown', forkLengthCm: 24, waterTempC: 11 } as const;
  const flow = solveFlow(POCKETS, options);
  // Twice: the first may make it, the second reads it.
  for (const again of [keptFlow(POCKETS, options), keptFlow(POCKETS, options)]) {
    expect(again).toStrictEqual(flow);
    expect(keptLies(POCKETS, again, trout)).toStrictEqual(rateLies(POCKETS, flow, trout));
  }
});

describe('what is kept', () => {
  it('is made once for the same inputs, and again for others', () => {
    const folder = fresh();
    const make = jest.fn(() => ({ depthM: Float64Array.of(1, NaN, -0), names: ['a', null] }));
    const first = kept('water', { q: 1 }, make, folder);
    expect(kept('water', { q: 1 }, make, folder)).toStrictEqual(first);
    expect(make).toHaveBeenCalledTimes(1);
    kept('water', { q: 2 }, make, folder);
    kept('lies', { q: 1 }, make, folder);
    expect(make).toHaveBeenCalledTimes(3);
  });
  it('is made anew where the file was damaged', () => {
    const folder = fresh();
    kept('water', 1, () => [1, 2], folder);
    writeFileSync(join(folder, readdirSync(folder)[0]!), 'not what was written');
    expect(kept('water', 1, () => [1, 2, 3], folder)).toEqual([1, 2, 3]);
    expect(kept('water', 1, () => [], folder)).toEqual([1, 2, 3]);
  });
});

describe('the version of core', () => {
  const core = fresh();
  afterAll(() => rmSync(core, { recursive: true }));
  for (const name of ['grid', 'water', 'lies']) {
    mkdirSync(join(core, name));
    writeFileSync(join(core, name, 'a.ts'), `export const a = '${name}';\n`);
  }
  const changed = (file: string, text: string) => {
    const other = fresh();
    cpSync(core, other, { recursive: true });
    writeFileSync(join(other, file), text);
    return other;
  };
  it('is another when a source is another that can take part, or one comes to it', () => {
    for (const file of ['grid/a.ts', 'water/a.ts', 'water/b.ts'])
      expect(versionUpTo('water', changed(file, 'x'))).not.toBe(versionUpTo('water', core));
  });
  it('is the same for a later folder, and for a test', () => {
    for (const file of ['lies/a.ts', 'water/a.test.ts'])
      expect(versionUpTo('water', changed(file, 'x'))).toBe(versionUpTo('water', core));
  });
  it('knows the folders of core alone', () => {
    expect(() => versionUpTo('store')).toThrow('core has no folder "store"');
  });
});
