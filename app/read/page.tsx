import { beatsInBook, readsInBook, settings } from '@/services/index';
import { ThemeButton } from '@/ui/theme-button';
import { QuickReadPage } from './quick-read-page';
import type { KeptRead } from '@/core/log/index';
import { ButtonAnchor } from '@/ui/button';
import css from './read.module.css';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Quick read, Pebble Lane' };

/** One place on the bank, told in under a minute, with no beat at all. */
async function Page() {
  const [kept, beats, reads] = await Promise.all([settings(), beatsInBook(), readsInBook()]);
  return (
    <main className={css.quick}>
      <header>
        <h1>What is here?</h1>
        <nav>
          <ButtonAnchor voice="plain" href="/">
            Book
          </ButtonAnchor>
          <ThemeButton />
        </nav>
      </header>
      <QuickReadPage
        settings={kept}
        beats={beats
          .filter((b) => !b.deleted && !b.putAway)
          .map((b) => ({ id: b.id, name: b.name }))}
        reads={reads as KeptRead[]}
        isSouth={(beats.find((b) => b.plan.anchor)?.plan.anchor?.lat ?? 0) < 0}
      />
    </main>
  );
}

export default forPaired(Page);
