import { beatsInBook } from '@/services/index';
import { settings } from '@/services/index';
import { ButtonLink } from '@/ui/button-link';
import { TryLog } from './try-log';
import css from '../../start.module.css';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Every try, Pebble Lane' };

/** Every try of the book, narrowed as one likes. */
async function LogPage() {
  const [beats, { units }] = await Promise.all([beatsInBook(), settings()]);
  return (
    <main className={`${css.start} ${css.outingWhole}`}>
      <p>
        <ButtonLink voice="plain" href="/outings">
          All outings
        </ButtonLink>
      </p>
      <h1>Every try</h1>
      <TryLog beats={beats.map((b) => ({ id: b.id, name: b.name }))} units={units} />
    </main>
  );
}

export default forPaired(LogPage);
