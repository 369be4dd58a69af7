import { notFound } from 'next/navigation';
import { foldTry, tallyOf } from '@/core/log/index';
import { nowMs, outingReport, settings, solvedWater } from '@/services/index';
import { ButtonAnchor } from '@/ui/button';
import { ButtonLink } from '@/ui/button-link';
import { dayWords } from '@/words/dates';
import { OutingMap } from './outing-map';
import { ReadingsTable } from './readings-table';
import { TimeLine } from './time-line';
import { TriesTable } from './tries-table';
import css from '../../start.module.css';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Outing, Pebble Lane' };

/** An outing afterwards: where, when, what the plan had said and what came of it. */
async function OutingAfterwards({ params }: { params: Promise<{ id: string }> }) {
  const found = await outingReport((await params).id);
  if (!found.ok) notFound();
  const { outing, tries, readings, beats } = found.value;
  const { units } = await settings();
  const tally = tallyOf(outing, tries, nowMs());
  const numbers = new Map(tries.map((t, i) => [t.id, i + 1]));
  const frames = await Promise.all(
    beats.map(async (b) => {
      const water = await solvedWater(b.id);
      if (!water.ok) return { ...b, frame: null };
      const { flow } = water.value;
      return {
        ...b,
        frame: {
          x0M: flow.x0M - flow.cellM / 2,
          y0M: flow.y0M - flow.cellM / 2,
          widthM: flow.nx * flow.cellM,
          heightM: flow.ny * flow.cellM,
        },
      };
    }),
  );
  const figures = [
    [tally.hours.toFixed(1), 'hours'],
    [tally.places, 'places'],
    [tally.casts, 'casts'],
    [tally.taken, 'taken'],
    [tally.missed, 'missed'],
    [tally.landed, 'landed'],
    [tally.kept, 'kept'],
  ] as const;
  return (
    <main className={`${css.start} ${css.outingWhole}`}>
      <p>
        <ButtonLink voice="plain" href="/outings">
          All outings
        </ButtonLink>
      </p>
      <h1>{dayWords(outing.startMs, outing.timeZone)}</h1>
      <dl className={css.outingTop}>
        {figures.map(([figure, word]) => (
          <div key={word}>
            <dt>{word}</dt>
            <dd>{figure}</dd>
          </div>
        ))}
      </dl>
      <TimeLine
        outing={outing}
        tries={tries.map((t) => ({
          id: t.id,
          number: numbers.get(t.id)!,
          openedMs: t.openedMs,
          took: foldTry(t.fly, t.events).state === 'landed',
        }))}
        readings={readings}
        nowMs={nowMs()}
        units={units}
      />
      {frames.map((b) => (
        <OutingMap
          key={b.id}
          beat={b}
          marks={tries
            .filter((t) => t.beatId === b.id && t.snapshot.target !== null)
            .map((t) => ({
              number: numbers.get(t.id)!,
              xM: t.snapshot.target!.xM,
              yM: t.snapshot.target!.yM,
              took: foldTry(t.fly, t.events).state === 'landed',
            }))}
        />
      ))}
      <h2>Tries, and what the plan had said</h2>
      {tries.length === 0 ? (
        <p>No try.</p>
      ) : (
        <TriesTable
          tries={tries.map((attempt) => ({ attempt, number: numbers.get(attempt.id)! }))}
          beats={beats}
          timeZone={outing.timeZone}
          units={units}
        />
      )}
      <p>
        <ButtonAnchor href={`/api/v1/outings/${outing.id}/tries.csv`} download>
          Tries as CSV
        </ButtonAnchor>
      </p>
      <h2>Readings</h2>
      {readings.length === 0 ? (
        <p>Nothing was read.</p>
      ) : (
        <ReadingsTable readings={readings} timeZone={outing.timeZone} units={units} />
      )}
    </main>
  );
}

export default forPaired(OutingAfterwards);
