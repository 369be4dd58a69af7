import { execFileSync } from 'node:child_process';

interface Shipped {
  name: string;
  version: string;
  licence: string;
  text: string;
}

/** Free to use, change and give on; LGPL of a library that stands apart as a file of its own. */
const OPEN =
  /^\(?(MIT|MIT-0|ISC|0BSD|BSD-[23]-Clause|Apache-2\.0|OFL-1\.1|CC-BY-4\.0|CC0-1\.0|Unlicense|BlueOak-1\.0\.0|Python-2\.0|LGPL-3\.0-or-later|WTFPL)( (AND|OR) [A-Z0-9.-]+)*\)?$/i;

it('all that ships is under an open licence, and brings its text', () => {
  // A module of Node, which this runner does not import.
  const code = `import('./scripts/licences.mjs').then((m) => console.log(JSON.stringify(m.shippedPackages())))`;
  const told = execFileSync(process.execPath, ['-e', code], {
    encoding: 'utf8',
    maxBuffer: 2 ** 26,
  });
  const all = JSON.parse(told) as Shipped[];
  expect(all.length).toBeGreaterThan(60);
  expect(all.filter((p) => !OPEN.test(p.licence)).map((p) => `${p.name}: ${p.licence}`)).toEqual(
    [],
  );
  expect(all.find((p) => p.name === 'apexcharts')).toMatchObject({
    version: '4.7.0',
    licence: 'MIT',
  });
  expect(all.filter((p) => p.name.startsWith('@fontsource'))).toHaveLength(2);
  const withText = all.filter((p) => p.text.length > 200).length;
  expect(withText / all.length).toBeGreaterThan(0.8);
});
