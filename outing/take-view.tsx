'use client';

import { useState } from 'react';
import type { BeatPack, HeldPack } from '../core/outing/index';
import { clockText } from '../core/units/index';
import { bankApi } from '../sync/bank-client';
import { pageBank } from '../sync/page-bank';
import { Button } from '../ui/button';
import { ProgressBar } from '../ui/progress-bar';
import { Select } from '../ui/select';
import { dayWords } from '../words/dates';
import type { OutingShared } from './shared';
import { goTo } from './use-bank';
import css from './outing.module.css';

const ASK_AGAIN_MS = 700;

/** Beats taken along: each says how large and how old it is. */
export function TakeView({ view, now, offline }: OutingShared) {
  const beats = view.bank?.beats ?? [];
  const total = view.packs.reduce((sum, p) => sum + p.bytes, 0);
  return (
    <main className={css.page}>
      <header className={css.tryHead}>
        <h1>Take along</h1>
        <a href="#/now">To the outing</a>
      </header>
      <p className={css.lead}>
        {view.packs.length === 0
          ? 'Nothing is taken along. What is taken along opens without a network: water, lies, casts, cards.'
          : `${view.packs.length} ${view.packs.length === 1 ? 'beat' : 'beats'}, ${megabytes(total)}. All of it opens without a network.`}
      </p>
      {offline === 'asking' && <p role="status">Keeping the page itself on this phone.</p>}
      {offline === 'denied' && (
        <p className={css.caution} role="alert">
          This browser does not keep the page (it does not trust the address, or is private), so
          logging is off without a network. <a href="/trust">How to trust it</a>, or{' '}
          <a href="/api/v1/carry">take one file with the cards</a>.
        </p>
      )}
      {view.problem && <p role="alert">{view.problem}</p>}
      <ul className={css.beats}>
        {beats.map((b) => (
          <BeatToTake
            key={b.id}
            beat={b}
            held={view.packs.find((p) => p.beatId === b.id) ?? null}
            now={now}
          />
        ))}
      </ul>
    </main>
  );
}

const megabytes = (bytes: number) =>
  bytes < 1e6 ? `${Math.round(bytes / 1e3)} KB` : `${(bytes / 1e6).toFixed(1)} MB`;

type Taking =
  | { state: 'no' }
  | { state: 'solving' | 'packing'; share: number }
  | { state: 'failed'; message: string };

function BeatToTake({
  beat,
  held,
  now,
}: {
  beat: { id: string; name: string; streamName: string; levels: string[]; level: string };
  held: HeldPack | null;
  now: number;
}) {
  const [level, setLevel] = useState(held?.pack.level ?? beat.level);
  const [taking, setTaking] = useState<Taking>({ state: 'no' });
  const take = async () => {
    // One stays here while more is taken.
    goTo('take');
    setTaking({ state: 'packing', share: 0 });
    const pack = await packOf(beat.id, level, (state, share) => setTaking({ state, share }));
    if (typeof pack === 'string') return setTaking({ state: 'failed', message: pack });
    const pictures = await Promise.all(
      (['light', 'dim'] as const).map((theme) => bankApi.picture(beat.id, level, theme)),
    );
    const [light, dim] = pictures;
    if (!light?.ok || !dim?.ok)
      return setTaking({ state: 'failed', message: 'The picture of the water did not come.' });
    const picture = { light: await dataUrl(light.value), dim: await dataUrl(dim.value) };
    const bytes = JSON.stringify(pack).length + picture.light.length + picture.dim.length;
    const kept = await pageBank().keepPack({
      beatId: beat.id,
      pack,
      picture,
      bytes,
      takenMs: now,
    });
    setTaking(
      kept
        ? { state: 'no' }
        : {
            state: 'failed',
            message: 'This phone would not keep it: it is full, or the page is private.',
          },
    );
  };
  const busy = taking.state === 'solving' || taking.state === 'packing';
  return (
    <li>
      <h2>{beat.name}</h2>
      <p className={css.small}>
        {held
          ? `${megabytes(held.bytes)}, at ${held.pack.level.toLowerCase()} level, taken ${dayWords(held.takenMs, held.pack.timeZone ?? undefined)}, ${clockText(held.takenMs, held.pack.timeZone ?? undefined)}: ${ageWords(now - held.takenMs)}`
          : `${beat.streamName}, not taken`}
      </p>
      <div className={css.takeRow}>
        <Select
          aria-label={`Level of ${beat.name}`}
          value={level}
          onChange={(e) => setLevel(e.target.value)}
        >
          {beat.levels.map((l) => (
            <option key={l}>{l}</option>
          ))}
        </Select>
        <Button voice={held ? 'line' : 'solid'} disabled={busy} onClick={() => void take()}>
          {held ? 'Take it anew' : 'Take along'}
        </Button>
        {held && (
          <Button voice="plain" onClick={() => void pageBank().dropPack(beat.id)}>
            Leave it here
          </Button>
        )}
      </div>
      {busy && (
        <div role="status">
          <ProgressBar
            share={'share' in taking ? taking.share : 0}
            label={taking.state === 'solving' ? 'Solving the water' : 'Working out lies and casts'}
          />
          <p className={css.small}>
            {taking.state === 'solving' ? 'Solving the water.' : 'Working out lies and casts.'}
          </p>
        </div>
      )}
      {taking.state === 'failed' && <p role="alert">{taking.message}</p>}
    </li>
  );
}

const ageWords = (ms: number) => {
  const hours = ms / 3_600_000;
  if (hours < 1) return 'fresh';
  return hours < 24 ? `${Math.round(hours)} h old` : `${Math.round(hours / 24)} days old`;
};

/** Asks until it is worked out; the pack, or why not. */
async function packOf(
  beatId: string,
  level: string,
  onProgress: (state: 'solving' | 'packing', share: number) => void,
): Promise<BeatPack | string> {
  for (;;) {
    const reply = await bankApi.pack(beatId, level);
    if (!reply.ok) return reply.message;
    if (reply.value.state === 'done') return reply.value.pack;
    onProgress(reply.value.state, reply.value.progress);
    await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN_MS));
  }
}

const dataUrl = (blob: Blob) =>
  new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error ?? new Error('unreadable'));
    reader.readAsDataURL(blob);
  });
