'use client';

import {
  FACTORS,
  SPOOK_FACTORS,
  type FactorName,
  type FactorTold,
  type Learned,
  type StopsTold,
} from '../../../core/learn/index';
import { findRig } from '../../../core/rig/index';
import { useSize } from '../../../drawing/use-size';
import { later } from '../../../ui/later';
import { PlainTable } from '../../../ui/plain-table';
import { inHundred } from '../../../words/names';
import {
  factorName,
  groupName,
  LOSS_WORDS,
  MISS_WORDS,
  speciesName,
} from '../../../words/learn-words';
import { usePart } from '../../context';
import { Bars, type Row } from './bars';
import { Beside } from './beside';
import { Homes } from './homes';
import { endsOf } from './learn-panel';
import css from './learn.module.css';

const MONTHS_PX = 180;
const Months = later(() => import('./months').then((m) => m.Months), MONTHS_PX);

/** The pictures of Learn on a desk: each with its figures beside it. */
export function LearnView() {
  const [ref, size] = useSize<HTMLDivElement>();
  const told = usePart((s) => s.learned);
  const shown = usePart((s) => s.learnShown);
  const nameOf = useGroupNames();
  if (!told)
    return (
      <div ref={ref} className={css.learn}>
        <p className={css.waiting}>Counting the tries.</p>
      </div>
    );
  const { learned } = told;
  const { home } = learned.plan;
  return (
    <div ref={ref} className={css.learn}>
      <section aria-label="Rated and held">
        <h2>Did the place hold a fish as often as it was rated?</h2>
        <p>
          {home.all?.found.n ?? 0} places in which nobody had seen one before. Below: so many showed
          one; the bar: how many held one, as far as silent places tell.
        </p>
        <Homes bins={home.bins} width={size.width} dark={shown === 'home'} />
      </section>
      <section aria-label="Said and found">
        <h2>Was the plan right otherwise?</h2>
        <p>Dotted: what was said. Grey: where the truth lies, 95 times in 100.</p>
        <Bars
          rows={planRows(learned, told.record?.stops ?? null)}
          none="No prediction was held against anything yet."
          dark={PLANNED.includes(shown ?? '')}
        />
      </section>
      {learned.months.length > 1 && (
        <section aria-label="Month by month">
          <h2>Looks and takes, month by month</h2>
          <Months months={learned.months} />
        </section>
      )}
      <section aria-label="Takes for each look">
        <h2>Takes for each look</h2>
        <p>A look: the fish looked, turned away, missed or took. Dotted: all looks together.</p>
        <div className={css.factors}>
          {FACTORS.map((f) => (
            <Factor key={f} told={of(learned.factors, f)} nameOf={nameOf} dark={shown === f} />
          ))}
        </div>
      </section>
      <Beside factors={learned.factors} nameOf={nameOf} />
      <section aria-label="Put down">
        <h2>Where they were put down</h2>
        <p>Put down, of all tries.</p>
        <div className={css.factors}>
          {SPOOK_FACTORS.map((f) => (
            <Factor
              key={f}
              told={of(learned.spooks, f)}
              nameOf={nameOf}
              dark={shown === 'spooks'}
            />
          ))}
        </div>
      </section>
      <section aria-label="How they end">
        <h2>Looked, took, hooked, landed</h2>
        <Conversions learned={learned} />
      </section>
      <section aria-label="Missed and lost">
        <h2>Why they were missed, and lost</h2>
        <div className={css.factors}>
          <Bars
            rows={learned.misses.map((m) => ({ name: MISS_WORDS[m.cause], ...m.share }))}
            none="No cause of a miss was pressed."
            dark={shown === 'misses'}
          />
          <Bars
            rows={learned.losses.map((m) => ({ name: LOSS_WORDS[m.cause], ...m.share }))}
            none="No fish was lost of which the cause was said."
            dark={shown === 'misses'}
          />
        </div>
      </section>
    </div>
  );
}

const of = (all: readonly FactorTold[], factor: FactorName) =>
  all.find((f) => f.factor === factor)!;

/** Names of groups, in the angler's units, with the rigs by their own. */
function useGroupNames() {
  const { units, tackle } = usePart((s) => s.settings);
  return (f: FactorName, name: string) =>
    f === 'rig' ? (findRig(tackle, name)?.name ?? name) : groupName(f, name, endsOf(f), units);
}

const PLANNED: readonly string[] = ['look', 'calm', 'drag', 'sink', 'stop'];
const DUE = 0.8;

function planRows({ plan }: Learned, stops: StopsTold | null): Row[] {
  const row = (name: string, told: Learned['plan']['look']): Row[] =>
    told ? [{ name, ...told.found, said: told.said, few: told.verdict === 'too few' }] : [];
  return [
    ...row('First cast answered', plan.look),
    ...row('Calm on arrival', plan.calm),
    ...row('Cast dragged', plan.drag),
    ...row('Drift touched the bed', plan.sink),
    ...(stops && stops.within.n > 0
      ? [{ name: 'Stop time in its band', ...stops.within, said: DUE }]
      : []),
  ];
}

function Factor({
  told,
  nameOf,
  dark,
}: {
  told: FactorTold;
  nameOf: (f: FactorName, group: string) => string;
  dark: boolean;
}) {
  const rows = inOrder(told).map((g) => ({
    ...g.takes,
    name: nameOf(told.factor, g.name),
    few: g.verdict === 'too few',
  }));
  return (
    <Bars
      title={factorName(told.factor)}
      rows={rows}
      none="None was told."
      dark={dark}
      mean={told.mean}
    />
  );
}

/** Groups that have an order in theirs: shallow before deep, early before late. Others by how many they are. */
function inOrder({ factor, groups }: FactorTold) {
  const ends = endsOf(factor).map(String);
  const at = (name: string) => (name === 'over' ? ends.length : ends.indexOf(name));
  return ends.length === 0 ? groups : [...groups].sort((a, b) => at(a.name) - at(b.name));
}

/** Each of the one before, by species, with what was to be expected. */
function Conversions({ learned }: { learned: Learned }) {
  if (learned.conversion.length === 0) return <p className={css.none}>Nothing was tried yet.</p>;
  const share = (s: { k: number; n: number }) => `${s.k} of ${s.n}`;
  return (
    <PlainTable>
      <thead>
        <tr>
          <th scope="col">Species</th>
          <th scope="col">Tries</th>
          <th scope="col">First cast answered</th>
          <th scope="col">Took, of looks</th>
          <th scope="col">Hooked, of takes</th>
          <th scope="col">Landed, of hooked</th>
        </tr>
      </thead>
      <tbody>
        {learned.conversion.map((c) => (
          <tr key={c.species ?? 'none'}>
            <th scope="row">{speciesName(c)}</th>
            <td>{c.tries}</td>
            <td>
              {c.looked
                ? `${share(c.looked.found)}; ${inHundred(c.looked.said)} was said`
                : 'not said'}
            </td>
            <td>{share(c.took)}</td>
            <td>
              {c.hooked
                ? `${share(c.hooked.found)}; ${inHundred(c.hooked.said)} was said`
                : 'not said'}
            </td>
            <td>{share(c.landed)}</td>
          </tr>
        ))}
      </tbody>
    </PlainTable>
  );
}
