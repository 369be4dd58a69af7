import Link from 'next/link';
import { DEFAULT_SETTINGS } from '@/core/log/index';
import { settings } from '@/services/index';
import { QueryProvider } from '@/sync/queries';
import { SettingsForm } from './settings-form';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Settings, Pebble Lane' };

export default async function SettingsPage() {
  return (
    <main className="start">
      <p>
        <Link href="/" className="plain">
          Back to the book
        </Link>
      </p>
      <h1>Settings</h1>
      <QueryProvider>
        <SettingsForm kept={await settings()} defaults={DEFAULT_SETTINGS} />
      </QueryProvider>
    </main>
  );
}
