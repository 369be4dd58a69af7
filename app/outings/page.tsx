import { tallyHours } from './tally-hours';
import { nowMs, outingList, TABLES } from '@/services/index';
import { ButtonAnchor } from '@/ui/button';
import { ButtonLink } from '@/ui/button-link';
import { dayWordsFrom } from '@/words/dates';
import { capital } from '@/words/names';
import { TableIn } from './table-in';
import css from '../start.module.css';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Outings, Pebble Lane' };

/** Every outing in which something happened, and the way in for tries from a table. */
async function OutingsPage() {
  const all = await outingList();
  return (
    <main className={css.start}>
      <p>
        <ButtonLink voice="plain" href="/">
          Back to the book
        </ButtonLink>
      </p>
      <h1>Outings</h1>
      <p>
        <ButtonLink href="/outings/log">Every try</ButtonLink>{' '}
        <ButtonLink href="#tables">Tables, out and in</ButtonLink>
      </p>
      {all.length === 0 && (
        <p>
          None yet. <a href="/outing">Begin one on the phone</a>, or log a try in a beat.
        </p>
      )}
      <ul>
        {all.map(({ outing, tries, landed, readings }) => (
          <li key={outing.id}>
            <a href={`/outings/${outing.id}`}>
              {dayWordsFrom(nowMs(), outing.startMs, outing.timeZone)}
            </a>
            : {tries} {tries === 1 ? 'try' : 'tries'}, {landed} landed, {readings}{' '}
            {readings === 1 ? 'reading' : 'readings'}
            {outing.endMs === null ? ', going on' : `, ${tallyHours(outing, nowMs())} h`}
          </li>
        ))}
      </ul>
      <h2 id="tables">Tables of the whole book</h2>
      <p className={css.ways}>
        {TABLES.map((t) => (
          <ButtonAnchor key={t} voice="line" href={`/api/v1/tables/${t}.csv`} download>
            {capital(t)} (CSV)
          </ButtonAnchor>
        ))}
        <ButtonAnchor voice="line" href="/api/v1/tables/places.geojson" download>
          Places (GeoJSON)
        </ButtonAnchor>
        <ButtonAnchor voice="line" href="/api/v1/tables/places.gpx" download>
          Places (GPX)
        </ButtonAnchor>
      </p>
      <h2>Tries from a table</h2>
      <TableIn of="tries" />
      <h2>Readings from a table</h2>
      <TableIn of="readings" />
    </main>
  );
}

export default forPaired(OutingsPage);
