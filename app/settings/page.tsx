import { DEFAULT_SETTINGS } from '@/core/log/index';
import { settings } from '@/services/index';
import { QueryProvider } from '@/sync/queries';
import { SettingsForm } from './settings-form';
import { ButtonLink } from '@/ui/button-link';
import css from '../start.module.css';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Settings, Pebble Lane' };

async function SettingsPage() {
  return (
    <main className={css.start}>
      <p>
        <ButtonLink voice="plain" href="/">
          Back to the book
        </ButtonLink>
      </p>
      <h1>Settings</h1>
      <QueryProvider>
        <SettingsForm kept={await settings()} defaults={DEFAULT_SETTINGS} />
      </QueryProvider>
      <p>
        <ButtonLink voice="plain" href="/licences">
          Licences of what this program is made of
        </ButtonLink>
      </p>
    </main>
  );
}

export default forPaired(SettingsPage);
