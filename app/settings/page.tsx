import Link from 'next/link';
import { DEFAULT_SETTINGS, settings } from '@/services/index';
import { SettingsForm } from './settings-form';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Settings, Pebble Lane' };

export default async function SettingsPage() {
  const kept = await settings();
  const defaults = { ...DEFAULT_SETTINGS, waterTempC: 0 };
  return (
    <main className="start">
      <p>
        <Link href="/" className="plain">
          Back to the book
        </Link>
      </p>
      <h1>Settings</h1>
      <SettingsForm kept={{ ...kept, waterTempC: kept.waterTempC ?? 0 }} defaults={defaults} />
    </main>
  );
}
