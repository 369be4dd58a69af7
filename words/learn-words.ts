import type { FactorName, FactorTold, Group, Learned, Verdict } from '../core/learn/index';
import type { LossCause, MissCause } from '../core/log/index';
import type { LayKind } from '../core/cast/index';
import type { LieKind } from '../core/lies/index';
import type { Posture } from '../core/sight/index';
import { formatDepth, formatTemp, type UnitSystem } from '../core/units/index';
import { layKindName } from './lay-names';
import { capital, inHundred, lieName, postureName } from './names';

/** One answer of Learn: a sentence first, its figures second. */
export interface LearnAnswer {
  id: string;
  said: string;
  figures: string;
  verdict: Verdict;
}

const FACTOR_WORDS: Record<FactorName, string> = {
  depth: 'depth',
  pace: 'pace',
  kind: 'kind of lie',
  lay: 'lay',
  fly: 'what is at the end',
  hour: 'hour',
  temperature: 'temperature',
  level: 'level',
  posture: 'posture',
};
export const factorName = (f: FactorName) => capital(FACTOR_WORDS[f]);

const FLIES: Record<string, string> = {
  dry: 'dry',
  'dry-dropper': 'dry and dropper',
  indicator: 'under a float',
  sunk: 'sunk',
};
export const MISS_WORDS: Record<MissCause, string> = {
  early: 'struck early',
  late: 'struck late',
  'never-touched': 'never touched',
  'pulled-off': 'pulled off',
};
export const LOSS_WORDS: Record<LossCause, string> = {
  'hook-came-out': 'hook came out',
  'line-broke': 'line broke',
  wrapped: 'wrapped',
  'slack-line': 'slack line',
  'at-the-net': 'at the net',
};

/** A group's name: "under 0.50 m", "walk", "Pocket behind a rock". */
export function groupName(
  factor: FactorName,
  name: string,
  ends: readonly number[],
  units: UnitSystem,
): string {
  const figure = (v: number) =>
    factor === 'depth'
      ? formatDepth(v, units)
      : factor === 'hour'
        ? `${v}:00`
        : formatTemp(v, units);
  if (factor === 'depth' || factor === 'temperature' || factor === 'hour') {
    const before = factor === 'hour' ? 'before' : 'under';
    const after = factor === 'hour' ? 'after' : 'over';
    if (name === 'over') return `${after} ${figure(ends.at(-1)!)}`;
    const i = ends.indexOf(Number(name));
    return i <= 0
      ? `${before} ${figure(ends[0]!)}`
      : `${figure(ends[i - 1]!)} to ${figure(ends[i]!)}`;
  }
  if (factor === 'kind') return lieName(name as LieKind);
  if (factor === 'lay') return layKindName(name as LayKind);
  if (factor === 'posture') return postureName(name as Posture);
  return factor === 'fly' ? capital(FLIES[name] ?? name) : capital(name);
}

const rangeText = (s: { low: number; high: number }) =>
  `${Math.round(100 * s.low)} to ${inHundred(s.high)}`;
const ofText = (s: { k: number; n: number }) => `${s.k} of ${s.n}`;

/** The answers, those that say something first, then what is even, then what is too little to say. */
export function learnAnswers(
  l: Learned,
  endsOf: (f: FactorName) => readonly number[],
  units: UnitSystem,
): LearnAnswer[] {
  const out: LearnAnswer[] = [homeAnswer(l), lookAnswer(l), calmAnswer(l)];
  for (const f of l.factors) out.push(factorAnswer(f, endsOf(f.factor), units));
  out.push(chainAnswer(l), missAnswer(l));
  const rank: Record<Verdict, number> = { more: 0, less: 0, even: 1, 'too few': 2 };
  return out.sort((a, b) => rank[a.verdict] - rank[b.verdict]);
}

function homeAnswer({ home }: Learned): LearnAnswer {
  const { found, expected, verdict } = home.all;
  const said = {
    'too few': 'Too few places to say whether they hold what was said.',
    even: 'Places held fish as often as was said.',
    more: 'Places held fish more often than was said.',
    less: 'Places held fish less often than was said.',
  }[verdict];
  const figures =
    found.n === 0
      ? 'No place was worked yet in which nobody had seen a fish.'
      : `${ofText(found)} showed one, ${rangeText(found)}; ${inHundred(expected)} was to be expected.`;
  return { id: 'home', said, figures, verdict };
}

function lookAnswer({ look }: Learned): LearnAnswer {
  if (!look)
    return {
      id: 'look',
      said: 'Too few casts with a chance to hold it against.',
      figures: 'A try counts when its cast was worked out before it was opened.',
      verdict: 'too few',
    };
  const { slope, slopeSd, n } = look.fit;
  const said = {
    'too few': 'Too few to say whether a better chance was one.',
    even: 'A better chance of a look was one, as far as was said.',
    more: 'Better chances were better still than was said.',
    less: 'Better chances were hardly better than others.',
  }[look.verdict];
  return {
    id: 'look',
    said,
    figures: `Ten steps better as said were ${(10 * slope).toFixed(0)} in the log, give or take ${(19.6 * slopeSd).toFixed(0)}. ${n} tries.`,
    verdict: look.verdict,
  };
}

function calmAnswer({ calm }: Learned): LearnAnswer {
  if (!calm)
    return {
      id: 'calm',
      said: 'Too few ways planned to say whether they left the fish calm.',
      figures: 'A try counts when its stalk was worked out.',
      verdict: 'too few',
    };
  const said = {
    'too few': 'Too few to say whether the way left them calm.',
    even: 'The way left them calm as often as was said.',
    more: 'The way left them calm more often than was said.',
    less: 'More were put down than was said.',
  }[calm.verdict];
  return {
    id: 'calm',
    said,
    figures: `${ofText(calm.found)} stayed, ${rangeText(calm.found)}; ${inHundred(calm.said)} was said.`,
    verdict: calm.verdict,
  };
}

function factorAnswer(f: FactorTold, ends: readonly number[], units: UnitSystem): LearnAnswer {
  const name = (g: Group) => groupName(f.factor, g.name, ends, units);
  const telling = f.groups.filter((g) => g.verdict === 'more' || g.verdict === 'less');
  const enough = f.groups.filter((g) => g.verdict !== 'too few');
  const id = f.factor;
  const [best] = [...telling].sort((a, b) => b.takes.best - a.takes.best);
  if (best)
    return {
      id,
      said:
        best.verdict === 'more'
          ? `${name(best)}: they take best.`
          : `${name(best)}: they take less than elsewhere.`,
      figures: `${ofText(best.takes)} looks, ${rangeText(best.takes)}; ${inHundred(f.mean)} over all. Picked after looking, and surer for it.`,
      verdict: best.verdict,
    };
  if (enough.length < 2)
    return {
      id,
      said: `Too few looks to say anything of ${FACTOR_WORDS[f.factor]}.`,
      figures:
        f.groups.length === 0
          ? 'None was told.'
          : f.groups.map((g) => `${name(g)} ${g.takes.n}`).join(', ') + '.',
      verdict: 'too few',
    };
  return {
    id,
    said: `${factorName(f.factor)} made no difference that could not be chance.`,
    figures: enough.map((g) => `${name(g)} ${ofText(g.takes)}`).join(', ') + '.',
    verdict: 'even',
  };
}

function chainAnswer({ chain, tries }: Learned): LearnAnswer {
  return {
    id: 'chain',
    said:
      tries === 0
        ? 'Too few tries to say how they end.'
        : `Of ten looks ${Math.round(10 * (chain.took.best || 0))} became takes.`,
    figures: `${ofText(chain.looked)} tries had a look, ${ofText(chain.took)} of these a take, ${ofText(chain.hooked)} of these were hooked, ${ofText(chain.landed)} of these landed.`,
    verdict: chain.took.n < 8 ? 'too few' : 'even',
  };
}

function missAnswer({ misses, missesVerdict }: Learned): LearnAnswer {
  const said = {
    'too few': 'Too few misses of which the cause was pressed.',
    even: 'Early and late strikes: it could still be chance.',
    more: 'You strike late more than early.',
    less: 'You strike early more than late.',
  }[missesVerdict];
  return {
    id: 'misses',
    said,
    figures:
      misses.length === 0
        ? 'No cause was pressed.'
        : misses.map((m) => `${MISS_WORDS[m.cause]} ${m.share.k}`).join(', ') + '.',
    verdict: missesVerdict,
  };
}
