import Papa from 'papaparse';
import type { FactorName, LearnTold, Share } from '../../../core/learn/index';
import type { UnitSystem } from '../../../core/units/index';
import {
  factorName,
  groupName,
  LOSS_WORDS,
  MISS_WORDS,
  speciesName,
  type RigNames,
} from '../../../words/learn-words';
import { REFIT_NAMES } from '../../../words/refit-words';

const COLUMNS = ['what', 'group', 'k', 'n', 'best', 'low', 'high', 'said'];

/** Every table of Learn as lines (RFC 4180): what, group, of, out of, best, low, high, and what was said. */
export function learnCsv(
  { learned: l, record }: LearnTold,
  endsOf: (f: FactorName) => readonly number[],
  units: UnitSystem,
  rigs: RigNames,
): string {
  const figure = (v: number | undefined) =>
    v === undefined || Number.isNaN(v) ? '' : v.toFixed(4);
  const line = (what: string, group: string, s: Share, said?: number) => [
    what,
    group,
    s.k,
    s.n,
    figure(s.best),
    figure(s.low),
    figure(s.high),
    figure(said),
  ];
  const nameOf = (f: FactorName, g: string) =>
    f === 'rig' ? (rigs[g] ?? g) : groupName(f, g, endsOf(f), units);
  const { home, ...told } = l.plan;
  const said = {
    look: 'first casts answered',
    calm: 'calm on arrival',
    drag: 'casts that dragged',
    sink: 'drifts that touched the bed',
  };
  return Papa.unparse(
    [
      COLUMNS,
      ...home.bins.map((b) =>
        line(
          'places that held a fish, by what was said',
          `${10 * b.tenth!} to ${10 * b.tenth! + 9} in 100`,
          b.found,
          b.said,
        ),
      ),
      ...(Object.keys(said) as (keyof typeof said)[]).flatMap((name) => {
        const t = told[name];
        return t ? [line('the plan', said[name], t.found, t.said)] : [];
      }),
      ...(record?.stops
        ? [line('the plan', 'stop times in their band', record.stops.within, 0.8)]
        : []),
      ...l.factors.flatMap((f) =>
        f.groups.map((g) =>
          line(
            `takes for each look, by ${factorName(f.factor).toLowerCase()}`,
            nameOf(f.factor, g.name),
            g.takes,
          ),
        ),
      ),
      ...l.spooks.flatMap((f) =>
        f.groups.map((g) =>
          line(
            `put down, by ${factorName(f.factor).toLowerCase()}`,
            nameOf(f.factor, g.name),
            g.takes,
          ),
        ),
      ),
      ...l.conversion.flatMap((c) => [
        ...(c.looked
          ? [
              line(
                'first casts answered, by species',
                speciesName(c),
                c.looked.found,
                c.looked.said,
              ),
            ]
          : []),
        line('takes for each look, by species', speciesName(c), c.took),
        ...(c.hooked
          ? [
              line(
                'hooked for each take, by species',
                speciesName(c),
                c.hooked.found,
                c.hooked.said,
              ),
            ]
          : []),
        line('landed for each hooked, by species', speciesName(c), c.landed),
      ]),
      ...l.misses.map((m) => line('misses', MISS_WORDS[m.cause], m.share)),
      ...l.losses.map((m) => line('losses', LOSS_WORDS[m.cause], m.share)),
      ...l.months.map((m) => ['month', m.month, m.takes, m.looks, '', '', '', '']),
      ...(record?.refits ?? []).flatMap((r) =>
        r.parts.map((p) => [
          `refit: ${REFIT_NAMES[r.name]}`,
          p.of,
          '',
          p.n,
          figure(p.best),
          figure(p.low),
          figure(p.high),
          figure(p.guessed),
        ]),
      ),
    ],
    { quotes: true, newline: '\r\n' },
  );
}
