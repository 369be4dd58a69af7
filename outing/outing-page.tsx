'use client';

import { useMemo, useState } from 'react';
import { openOutingAt, openTry } from '../core/log/index';
import { bankClockMs, pageBank } from '../sync/page-bank';
import { useQueue } from '../sync/use-queue';
import { part } from './part';
import { createOutingActions } from './outing-actions';
import { useBank, useNow, usePlaceInOuting } from './use-bank';
import { useOffline } from './use-offline';
import css from './outing.module.css';

const NowView = part(() => import('./now-view').then((m) => m.NowView));
const TryView = part(() => import('./try-view').then((m) => m.TryView));
const TakeView = part(() => import('./take-view').then((m) => m.TakeView));
const ReadingsView = part(() => import('./readings-view').then((m) => m.ReadingsView));
const PlacesView = part(() => import('./places-view').then((m) => m.PlacesView));
const TriesView = part(() => import('./tries-view').then((m) => m.TriesView));
const TakingView = part(() => import('./taking-view').then((m) => m.TakingView));
const NotTakenHere = part(() => import('./not-taken-here').then((m) => m.NotTakenHere));

const NOTHING: ReadonlySet<string> = new Set();

/** The outing on a phone: one page, so that it opens and goes on without a network. */
export function OutingPage() {
  const view = useBank();
  const now = useNow(1000);
  const place = usePlaceInOuting();
  const queue = useQueue();
  const offline = useOffline();
  const [passed, setPassed] = useState<ReadonlySet<string>>(NOTHING);
  const actions = useMemo(
    () =>
      typeof window === 'undefined' ? null : createOutingActions(pageBank(), () => bankClockMs()),
    [],
  );
  if (view.state === 'opening' || !actions || now === 0)
    return (
      <p className={css.opening} role="status">
        Opening the outing.
      </p>
    );
  const outing = openOutingAt(view.log.outings, now);
  const tries = outing ? view.log.tries.filter((t) => t.outingId === outing.id) : [];
  const shared = { view, now, outing, tries, actions, queue, offline };
  const [name, id] = place.split('/');
  const inTry = name === 'try' ? view.log.tries.find((t) => t.id === id) : undefined;
  const isEmpty = view.packs.length === 0 && name === 'now' && openTry(tries) === null;
  return (
    <div className={css.outing} data-offline={offline} data-book={view.state}>
      {inTry ? (
        <TryView key={inTry.id} attempt={inTry} {...shared} />
      ) : name === 'take' || (isEmpty && view.state === 'ready' && tries.length === 0) ? (
        <TakeView {...shared} />
      ) : name === 'readings' ? (
        <ReadingsView {...shared} />
      ) : name === 'places' ? (
        <PlacesView {...shared} />
      ) : name === 'taking' ? (
        <TakingView attempt={view.log.tries.find((t) => t.id === id)} {...shared} />
      ) : name === 'tries' ? (
        <TriesView {...shared} />
      ) : (
        <NowView
          marking={name === 'mark'}
          passed={passed}
          onPass={(id) => setPassed((before) => new Set([...before, id]))}
          {...shared}
        />
      )}
      {queue.refused.length > 0 && <NotTakenHere queue={queue} />}
    </div>
  );
}
