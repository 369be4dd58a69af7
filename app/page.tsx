import Link from 'next/link';
import {
  beatsInBook,
  draftsInBook,
  lastOuting,
  settings,
  streamsInBook,
  unreadableInBook,
  waterIsSolved,
} from '@/services/index';
import { QueryProvider } from '@/sync/queries';
import { ThemeButton } from '@/ui/theme-button';
import { BeatPicture } from './beat-picture';
import { BeatSketch } from './beat-sketch';
import { GoOn } from './go-on';
import { BeatTools, StreamName } from './beat-tools';
import { BookTools } from './book-tools';
import { DraftList } from './draft-list';
import { NewBeat } from './new-beat';
import { OpenBeatFile } from './open-beat-file';
import { SolveWatch } from './solve-watch';
import { UnreadableList } from './unreadable-list';
import { Disclosure } from '@/ui/disclosure';
import { dayWords } from '@/words/dates';
import { ButtonLink } from '@/ui/button-link';
import css from './start.module.css';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';

async function StartPage() {
  const [all, streams, drafts, last, { units }, unreadable] = await Promise.all([
    beatsInBook(),
    streamsInBook(),
    draftsInBook(),
    lastOuting(),
    settings(),
    unreadableInBook(),
  ]);
  const shown = all.filter((b) => !b.deleted && !b.putAway);
  const away = all.filter((b) => !b.deleted && b.putAway);
  const toolBeat = (b: (typeof all)[number]) => ({
    id: b.id,
    name: b.name,
    madeBy: b.madeBy,
    putAway: b.putAway,
    hasPlace: b.plan.anchor !== undefined,
  });
  const solved = new Set<string>();
  for (const b of shown) if (await waterIsSolved(b.plan)) solved.add(b.id);
  const empty = shown.length + away.length === 0;
  return (
    <main className={css.start}>
      <p className={css.startTop}>
        <ThemeButton />
      </p>
      <h1>Pebble Lane</h1>
      <p className={css.lead}>
        Where a trout can hold in this water, where you are seen, where to stand, and how long the
        fly drifts clean.
      </p>
      <UnreadableList things={unreadable} />
      <h2>{empty ? 'Begin with a beat' : 'A new beat, or one place'}</h2>
      <NewBeat stream={streams[0]?.name ?? ''} />
      <GoOn
        outing={last && last.beats.length > 0 ? outingWords(last) : null}
        beatIds={shown.map((b) => b.id)}
      />
      <QueryProvider>
        <SolveWatch names={Object.fromEntries(all.map((b) => [b.id, b.name]))} />
      </QueryProvider>
      {streams
        .filter((s) => shown.some((b) => b.streamId === s.id))
        .map((stream) => (
          <section key={stream.id} aria-label={stream.name}>
            <StreamName id={stream.id} name={stream.name} />
            {shown
              .filter((b) => b.streamId === stream.id)
              .map((b) => (
                <article key={b.id} className={css.beatRow}>
                  <Link href={`/b/${b.id}/read`} className={css.beat} prefetch={false}>
                    <span>
                      <strong>{b.name}</strong>
                      <br />
                      <span>
                        {b.plan.lengthM.toFixed(0)} m, by {b.madeBy}, at{' '}
                        {b.plan.surveyedLevel.toLowerCase()} level
                        {b.plan.calibration ? ', calibrated' : ''}
                      </span>
                    </span>
                    <span className={css.open}>Read this water</span>
                    {solved.has(b.id) ? <BeatPicture id={b.id} /> : <BeatSketch plan={b.plan} />}
                  </Link>
                  <BeatTools beat={toolBeat(b)} />
                </article>
              ))}
          </section>
        ))}
      <DraftList
        drafts={drafts.map((d) => ({
          id: d.id,
          kind: d.kind,
          name: draftName(d.body),
          streamName: d.streamName,
          beatId: d.beatId,
        }))}
      />
      <h2>On the bank</h2>
      <p className={css.ways}>
        <ButtonLink href="/outing" prefetch={false}>
          The outing
        </ButtonLink>
        <ButtonLink href="/outings" prefetch={false}>
          Outings so far
        </ButtonLink>
        <ButtonLink href="/phones" prefetch={false}>
          Phones
        </ButtonLink>
      </p>
      <h2>A beat from a file</h2>
      <OpenBeatFile empty={empty} units={units} />
      {away.length > 0 && (
        <Disclosure title={<>Put away ({away.length})</>}>
          {away.map((b) => (
            <div key={b.id} className={css.away}>
              <Link href={`/b/${b.id}/read`} prefetch={false}>
                {b.name}, {b.streamName}
              </Link>
              <BeatTools beat={toolBeat(b)} />
            </div>
          ))}
        </Disclosure>
      )}
      <h2>The whole book</h2>
      <BookTools deleted={all.filter((b) => b.deleted).map((b) => ({ id: b.id, name: b.name }))} />
      <p className={css.care}>
        Wading, heat, falling timber, lightning and hooks can hurt. What is computed here is never a
        promise that a place is safe, and local rules, closures and access decide.
      </p>
    </main>
  );
}

/** "Sat 13 June on Sallow Steps: 3 tries, 1 landed", and where it is read. */
function outingWords({
  outing,
  beats,
  tries,
  landed,
}: NonNullable<Awaited<ReturnType<typeof lastOuting>>>) {
  const names = beats.map((b) => b.name).join(', ');
  return {
    words: `${dayWords(outing.startMs, outing.timeZone)} on ${names}: ${tries} ${tries === 1 ? 'try' : 'tries'}, ${landed} landed.`,
    href: `/b/${beats[beats.length - 1]!.id}/log`,
  };
}

function draftName(body: unknown): string {
  const b = body as { name?: string; plan?: { name?: string } };
  return b.name || b.plan?.name || 'unnamed';
}

export default forPaired(StartPage);
