import type {
  Conversion,
  FactorName,
  FactorTold,
  Group,
  Learned,
  StopsTold,
  Told,
  Verdict,
} from '../core/learn/index';
import type { LossCause, MissCause } from '../core/log/index';
import type { LayKind } from '../core/cast/index';
import type { LieKind, Method } from '../core/lies/index';
import type { Posture, Sky } from '../core/sight/index';
import { formatDepth, formatLength, formatTemp, type UnitSystem } from '../core/units/index';
import { layKindName } from './lay-names';
import { capital, inHundred, lieName, postureName } from './names';
import { SKY_WORDS } from './try-words';
import { methodName, SPECIES_NAMES } from './words';

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
  rig: 'rig',
  hour: 'hour',
  temperature: 'temperature',
  light: 'light',
  level: 'level',
  posture: 'posture',
  distance: 'distance',
  method: 'method',
  angler: 'angler',
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

const HAVE_ENDS: readonly FactorName[] = ['depth', 'temperature', 'hour', 'distance'];
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
      : factor === 'distance'
        ? formatLength(v, units)
        : factor === 'hour'
          ? `${v}:00`
          : formatTemp(v, units);
  if (HAVE_ENDS.includes(factor)) {
    const before = factor === 'hour' ? 'before' : 'under';
    const after = factor === 'hour' ? 'after' : 'over';
    if (name === 'over') return `${after} ${figure(ends.at(-1)!)}`;
    const i = ends.indexOf(Number(name));
    return i <= 0
      ? `${before} ${figure(ends[0]!)}`
      : `${figure(ends[i - 1]!)} to ${figure(ends[i]!)}`;
  }
  if (factor === 'angler') return `Device ${name}`;
  if (factor === 'light') return capital(SKY_WORDS[name as Sky]);
  if (factor === 'method') return capital(methodName(name as Method));
  if (factor === 'kind') return lieName(name as LieKind);
  if (factor === 'lay') return layKindName(name as LayKind);
  if (factor === 'posture') return postureName(name as Posture);
  return factor === 'fly' ? capital(FLIES[name] ?? name) : capital(name);
}

const rangeText = (s: { low: number; high: number }) =>
  `${Math.round(100 * s.low)} to ${inHundred(s.high)}`;
const ofText = (s: { k: number; n: number }) => `${s.k} of ${s.n}`;

/** Names that only the book knows: of rigs, by their id. */
export type RigNames = Readonly<Record<string, string>>;

/** The answers, those that say something first, then what is even, then what is too little to say. */
export function learnAnswers(
  l: Learned,
  endsOf: (f: FactorName) => readonly number[],
  units: UnitSystem,
  { rigs = {}, stops = null }: { rigs?: RigNames; stops?: StopsTold | null } = {},
): LearnAnswer[] {
  const nameOf = (f: FactorName, group: string) =>
    f === 'rig' ? (rigs[group] ?? group) : groupName(f, group, endsOf(f), units);
  const out: LearnAnswer[] = [
    homeAnswer(l),
    toldAnswer('look', l.plan.look),
    toldAnswer('calm', l.plan.calm),
    toldAnswer('drag', l.plan.drag),
    toldAnswer('sink', l.plan.sink),
    stopAnswer(stops),
  ];
  for (const f of l.factors) out.push(factorAnswer(f, nameOf));
  out.push(spookAnswer(l.spooks, nameOf), conversionAnswer(l.conversion), missAnswer(l));
  const rank: Record<Verdict, number> = { more: 0, less: 0, even: 1, 'too few': 2 };
  return out.sort((a, b) => rank[a.verdict] - rank[b.verdict]);
}

function homeAnswer({ plan: { home } }: Learned): LearnAnswer {
  const { all } = home;
  if (!all)
    return {
      id: 'home',
      said: 'Too few places to say whether they hold what was said.',
      figures: 'No place was worked yet in which nobody had seen a fish.',
      verdict: 'too few',
    };
  const said = {
    'too few': 'Too few places to say whether they hold what was said.',
    even: 'Places held fish as often as was said.',
    more: 'Places held fish more often than was said.',
    less: 'Places held fish less often than was said.',
  }[all.verdict];
  return {
    id: 'home',
    said,
    figures: `${ofText(all.found)} showed one. As silent places go, ${rangeText(all.found)} held one; ${inHundred(all.said)} was said.`,
    verdict: all.verdict,
  };
}

type ToldName = 'look' | 'calm' | 'drag' | 'sink';
const TOLD: Record<ToldName, Record<Verdict, string> & { none: string; came: string }> = {
  look: {
    'too few': 'Too few first casts with a chance to hold it against.',
    even: 'First casts were answered as often as was said.',
    more: 'First casts were answered more often than was said.',
    less: 'First casts were answered less often than was said.',
    none: 'A try counts when its cast was worked out before it was opened.',
    came: 'first casts were answered',
  },
  calm: {
    'too few': 'Too few ways planned to say whether they left the fish calm.',
    even: 'The way left them calm as often as was said.',
    more: 'The way left them calm more often than was said.',
    less: 'More were put down on the way than was said.',
    none: 'A try counts when its stalk was worked out.',
    came: 'stayed calm',
  },
  drag: {
    'too few': 'Too few casts of which it was said whether they dragged.',
    even: 'Casts ran clean as long as was said.',
    more: 'More casts dragged than was said.',
    less: 'Fewer casts dragged than was said.',
    none: 'On the phone: Ran clean, or Dragged, after a cast.',
    came: 'casts dragged',
  },
  sink: {
    'too few': 'Too few drifts felt to say whether flies got down as was said.',
    even: 'Flies touched the bed as often as was said.',
    more: 'Flies touched the bed more often than was said: they sink deeper.',
    less: 'Flies touched the bed less often than was said: they ride higher.',
    none: 'A drift counts when the Bench had said how it would sink.',
    came: 'drifts touched',
  },
};

function toldAnswer(id: ToldName, told: Told | null): LearnAnswer {
  const words = TOLD[id];
  if (!told) return { id, said: words['too few'], figures: words.none, verdict: 'too few' };
  return {
    id,
    said: words[told.verdict],
    figures: `${ofText(told.found)} ${words.came}, ${rangeText(told.found)}; ${inHundred(told.said)} was said.`,
    verdict: told.verdict,
  };
}

function stopAnswer(stops: StopsTold | null): LearnAnswer {
  if (!stops || stops.within.n === 0)
    return {
      id: 'stop',
      said: 'Too few days read before and after noon to hold a stop time against.',
      figures: stops
        ? `${stops.days} days, none of them reached the limit.`
        : 'A day counts when its water was read before noon and after it.',
      verdict: 'too few',
    };
  const { within, laterH, days } = stops;
  const verdict: Verdict =
    within.n < 8 ? 'too few' : within.high < 0.8 ? 'less' : within.low > 0.8 ? 'more' : 'even';
  const said = {
    'too few': 'Too few hot days to say whether the stop time is right.',
    even: 'Stop times lay in their bands as often as they should.',
    more: 'Stop times lay in their bands more often than they need.',
    less: 'Stop times lay outside their bands too often.',
  }[verdict];
  const by =
    laterH === null
      ? ''
      : ` On the mean ${Math.round(Math.abs(60 * laterH))} min ${laterH > 0 ? 'later' : 'sooner'} than said at noon.`;
  return {
    id: 'stop',
    said,
    figures: `${ofText(within)} in the band, 8 in 10 are due.${by} ${days} days read on both sides of noon.`,
    verdict,
  };
}

type NameOf = (f: FactorName, group: string) => string;

function factorAnswer(f: FactorTold, nameOf: NameOf): LearnAnswer {
  const name = (g: Group) => nameOf(f.factor, g.name);
  const telling = f.groups.filter((g) => g.verdict === 'more' || g.verdict === 'less');
  const enough = f.groups.filter((g) => g.verdict !== 'too few');
  const id = f.factor;
  const [best] = [...telling].sort((a, b) => b.takes.best - a.takes.best);
  if (best)
    return {
      id,
      said:
        best.verdict === 'more'
          ? `${capital(name(best))}: they take best.`
          : `${capital(name(best))}: they take less than elsewhere.`,
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

function spookAnswer(spooks: readonly FactorTold[], nameOf: NameOf): LearnAnswer {
  const telling = spooks
    .flatMap((f) => f.groups.map((g) => ({ ...g, factor: f.factor, mean: f.mean })))
    .filter((g) => g.verdict === 'more' || g.verdict === 'less')
    .sort((a, b) => b.takes.best - a.takes.best);
  const [worst] = telling;
  if (worst)
    return {
      id: 'spooks',
      said: `${capital(nameOf(worst.factor, worst.name))}: ${worst.verdict === 'more' ? 'more' : 'fewer'} were put down.`,
      figures: `${ofText(worst.takes)} tries, ${rangeText(worst.takes)}; ${inHundred(worst.mean)} over all.`,
      verdict: worst.verdict,
    };
  const enough = spooks.some((f) => f.groups.filter((g) => g.verdict === 'even').length > 1);
  return {
    id: 'spooks',
    said: enough
      ? 'Posture, distance and level: put down as often, or it could be chance.'
      : 'Too few tries to say where fish are put down.',
    figures: spooks
      .map((f) => `${FACTOR_WORDS[f.factor]} ${f.groups.reduce((n, g) => n + g.takes.k, 0)}`)
      .join(', ')
      .concat(' put down where it was known.'),
    verdict: enough ? 'even' : 'too few',
  };
}

export const speciesName = (c: Conversion) =>
  c.species === null ? 'Not said' : SPECIES_NAMES[c.species];

function conversionAnswer(all: readonly Conversion[]): LearnAnswer {
  const took = all.reduce((n, c) => n + c.took.k, 0);
  const looks = all.reduce((n, c) => n + c.took.n, 0);
  const hooked = all.reduce((n, c) => n + c.landed.n, 0);
  const landed = all.reduce((n, c) => n + c.landed.k, 0);
  return {
    id: 'conversion',
    said:
      looks === 0
        ? 'Too few tries to say how they end.'
        : `Of ten looks ${Math.round((10 * took) / looks)} became takes.`,
    figures: `${looks} looks, ${took} takes, ${hooked} hooked, ${landed} landed.`,
    verdict: looks < 8 ? 'too few' : 'even',
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
