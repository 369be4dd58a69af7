'use client';

import { useState } from 'react';
import {
  difference,
  LEAST,
  SIDES,
  type FactorName,
  type FactorTold,
  type Group,
} from '../../../core/learn/index';
import { Choice } from '../../../ui/choice';
import { Select } from '../../../ui/select';
import { factorName } from '../../../words/learn-words';
import { Bars } from './bars';
import css from './learn.module.css';

/** Two rigs, two anglers or two methods side by side: takes for each look, and whether they differ. */
export function Beside({
  factors,
  nameOf,
}: {
  factors: readonly FactorTold[];
  nameOf: (f: FactorName, group: string) => string;
}) {
  const [side, setSide] = useState<(typeof SIDES)[number]>('rig');
  const [pair, setPair] = useState<readonly [string | null, string | null]>([null, null]);
  const { groups } = factors.find((f) => f.factor === side)!;
  const one = groups.find((g) => g.name === pair[0]) ?? groups[0];
  const other =
    groups.find((g) => g.name === pair[1] && g !== one) ?? groups.find((g) => g !== one);
  const options = groups.map((g) => [g.name, nameOf(side, g.name)] as const);
  return (
    <section aria-label="Side by side">
      <h2>Two side by side</h2>
      <Choice
        label="What is held side by side"
        value={side}
        options={SIDES.map((f) => [f, factorName(f)] as const)}
        onChange={(f) => {
          setSide(f);
          setPair([null, null]);
        }}
      />
      {one && other ? (
        <>
          <div className={css.pair}>
            {([one, other] as const).map((chosen, i) => (
              <Select
                key={i}
                aria-label={i === 0 ? 'This' : 'Beside'}
                value={chosen.name}
                onChange={(e) => {
                  const name = e.target.value;
                  const rest = chosen === one ? other : one;
                  // Who chooses the one that stands beside changes the two round.
                  const left = rest.name === name ? chosen.name : rest.name;
                  setPair(i === 0 ? [name, left] : [left, name]);
                }}
              >
                {options.map(([name, words]) => (
                  <option key={name} value={name}>
                    {words}
                  </option>
                ))}
              </Select>
            ))}
          </div>
          <p>{saidOf(one, other, nameOf(side, one.name), nameOf(side, other.name))}</p>
          <Bars
            rows={[one, other].map((g) => ({
              ...g.takes,
              name: nameOf(side, g.name),
              few: g.takes.n < LEAST.looks,
            }))}
            none=""
            dark={false}
          />
        </>
      ) : (
        <p className={css.none}>
          {groups.length === 0
            ? 'None was told.'
            : `Only ${nameOf(side, one!.name)} was fished: there is nothing to hold it beside.`}
        </p>
      )}
    </section>
  );
}

function saidOf(one: Group, other: Group, a: string, b: string): string {
  if (one.takes.n < LEAST.looks || other.takes.n < LEAST.looks)
    return `Too few looks to tell them apart: ${a} ${one.takes.n}, ${b} ${other.takes.n}.`;
  const d = difference(one.takes, other.takes);
  const ahead = d.best >= 0;
  const [more, less] = ahead ? [a, b] : [b, a];
  // Told of the one that takes more: its lead, from the least to the most that it may be.
  const [least, most] = (ahead ? [d.low, d.high] : [-d.high, -d.low]).map((x) =>
    Math.round(100 * x),
  ) as [number, number];
  const by = Math.round(100 * Math.abs(d.best));
  return least > 0
    ? `${more} takes better than ${less}: by ${by} in 100 looks, ${least} to ${most}.`
    : `${more} takes better than ${less} so far, by ${by} in 100 looks: it could be chance.`;
}
