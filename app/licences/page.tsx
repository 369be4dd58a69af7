import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ButtonAnchor } from '@/ui/button';
import { ButtonLink } from '@/ui/button-link';
import { PlainTable } from '@/ui/plain-table';
import css from '../start.module.css';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Licences, Pebble Lane' };

interface Shipped {
  name: string;
  version: string;
  licence: string;
}

/** Whose work this program is made of, and on what terms. */
function LicencesPage() {
  const path = join(process.cwd(), 'public/licences.json');
  const all = JSON.parse(readFileSync(path, 'utf8')) as Shipped[];
  return (
    <main className={css.start}>
      <p>
        <ButtonLink voice="plain" href="/settings">
          Back to the settings
        </ButtonLink>
      </p>
      <h1>Licences</h1>
      <p className={css.lead}>
        Pebble Lane is free under the MIT licence. It is made with {all.length} packages of others,
        each under an open licence of its own.
      </p>
      <p>
        <ButtonAnchor voice="line" href="/licences.txt" download>
          All their texts
        </ButtonAnchor>
      </p>
      <PlainTable>
        <caption>What ships with it</caption>
        <thead>
          <tr>
            <th scope="col">Package</th>
            <th scope="col">Version</th>
            <th scope="col">Licence</th>
          </tr>
        </thead>
        <tbody>
          {all.map((p) => (
            <tr key={`${p.name} ${p.version}`}>
              <th scope="row">{p.name}</th>
              <td>{p.version}</td>
              <td>{p.licence}</td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
    </main>
  );
}

export default forPaired(LicencesPage);
