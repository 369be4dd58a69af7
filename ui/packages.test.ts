import { readFileSync } from 'node:fs';

const { dependencies, devDependencies } = JSON.parse(readFileSync('package.json', 'utf8'));

test('charts are drawn by the last releases under an open licence, and by no others', () => {
  expect(dependencies.apexcharts).toBe('4.7.0');
  expect(dependencies['react-apexcharts']).toBe('1.7.0');
  const locked = JSON.parse(readFileSync('package-lock.json', 'utf8')).packages;
  expect(locked['node_modules/apexcharts']).toMatchObject({ version: '4.7.0', license: 'MIT' });
  expect(locked['node_modules/react-apexcharts']).toMatchObject({
    version: '1.7.0',
    license: 'MIT',
  });
});

test('every package is named by one version', () => {
  for (const version of Object.values<string>({ ...dependencies, ...devDependencies }))
    // A second version of a package stands under a name of its own.
    expect(version).toMatch(/^(npm:[\w@/-]+@)?\d+\.\d+\.\d+(-[\w.]+)?$/);
});
