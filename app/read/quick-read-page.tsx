'use client';

import { useMemo, useState } from 'react';
import { heatAt } from '@/core/day/heat';
import { TOTAL_PER_FORK } from '@/core/fish/index';
import { type QuickAnswers, type QuickCover, type QuickEdge } from '@/core/lies/index';
import { seasonOfMonth } from '@/core/lies/season-of-month';
import { paceWord } from '@/core/units/index';
import { PACE_WORD_MPS } from '@/core/water/index';
import { clientId } from '@/sync/client-id';
import { useReads } from '@/sync/use-reads';
import { useQueue } from '@/sync/use-queue';
import { Button } from '@/ui/button';
import { later } from '@/ui/later';
import { useQuickReading } from './use-quick-reading';
import { Leg } from './leg';
import { PaceTimer } from './pace-timer';
import { ReadResult } from './read-result';
import { ASSUMED_TEMP_C, type KeptRead, type Settings } from '@/core/log/index';
import css from './read.module.css';

const MoreTold = later(() => import('./more-told').then((m) => m.MoreTold), 190);
const KeptReads = later(() => import('./kept-reads').then((m) => m.KeptReads));
const HeatLines = later(() => import('./heat-lines').then((m) => m.HeatLines));
const NotTakenHere = later(() => import('@/outing/not-taken-here').then((m) => m.NotTakenHere));

const PACES = ['still', 'stroll', 'walk', 'brisk', 'rush'] as const;
const COVERS: readonly (readonly [QuickCover, string])[] = [
  ['rock', 'Boulder by it'],
  ['wood', 'Wood by it'],
  ['undercut', 'Undercut bank'],
  ['boughs', 'Boughs over it'],
  ['weed', 'Weed by it'],
];
const EDGES: readonly (readonly [QuickEdge, string])[] = [
  ['quicker', 'Quicker water beside it'],
  ['slower', 'Slower water beside it'],
];
/** Cover within a step of the place, or over it. */
const COVER_AT_M: Record<QuickCover, number> = {
  none: 0,
  rock: 0.4,
  wood: 0.4,
  undercut: 0,
  boughs: 0,
  weed: 0.2,
};

/** Everything about one place in a minute, one thumb; the answer stands at the foot all the while. */
export function QuickReadPage({
  settings,
  beats,
  reads,
  isSouth = false,
}: {
  settings: Settings;
  beats: readonly { id: string; name: string }[];
  reads: readonly KeptRead[];
  isSouth?: boolean;
}) {
  const { units } = settings;
  const [told, setTold] = useState<QuickAnswers>(() => ({
    species: settings.species,
    forkLengthCm: settings.fishLengthCm / TOTAL_PER_FORK,
    waterTempC: settings.waterTempC ?? ASSUMED_TEMP_C,
    prey: settings.prey,
    method: settings.methods.holding,
    depthM: 0.5,
    surfacePaceMps: PACE_WORD_MPS.walk,
    edge: 'none',
    cover: 'none',
    coverDistanceM: 0,
    bottom: 'gravel',
    foam: false,
    colour: 'clear',
    shaded: false,
    // By where the book's beats lie, where any was placed; it can be changed below.
    season: seasonOfMonth(new Date().getMonth() + 1, isSouth),
    deeper: null,
  }));
  const tell = (change: Partial<QuickAnswers>) => setTold((t) => ({ ...t, ...change }));
  const heat = heatAt(told.waterTempC, {
    school: settings.methods.heat,
    species: told.species,
    legalC: settings.legalLimitC,
  });
  const tooWarm = heat.kind === 'none';
  const asked = useMemo(() => ({ ...told, tooWarm }), [told, tooWarm]);
  const reading = useQuickReading(asked);
  const kept = useReads(reads);
  const saving = useQueue();
  const [justKept, setJustKept] = useState(false);
  const [note, setNote] = useState('');
  const keep = () => {
    if (!reading?.ok) return;
    const takenMs = Date.now();
    const read: KeptRead = {
      id: clientId(),
      beatId: null,
      xM: null,
      yM: null,
      takenMs,
      zoneOffsetMin: -new Date(takenMs).getTimezoneOffset(),
      answers: told,
      result: reading,
      note: note.trim(),
    };
    kept.add(read);
    setNote('');
    setJustKept(true);
  };
  const pin = (read: KeptRead, beatId: string | null) =>
    kept.replace({ ...read, beatId, xM: null, yM: null });
  const cell = (pressed: boolean, word: string, press: () => void) => (
    <Button voice="bare" key={word} aria-pressed={pressed} onClick={press}>
      {word}
    </Button>
  );
  return (
    <>
      <Leg
        depthM={told.depthM}
        heightM={settings.anglerHeightM}
        units={units}
        onDepth={(depthM) => tell({ depthM })}
      />
      <div className={`${css.cells} ${css.five}`} role="group" aria-label="Pace of the surface">
        {PACES.map((p) =>
          cell(paceWord(told.surfacePaceMps) === p, p, () =>
            tell({ surfacePaceMps: PACE_WORD_MPS[p] }),
          ),
        )}
      </div>
      <PaceTimer units={units} onPace={(surfacePaceMps) => tell({ surfacePaceMps })} />
      <div className={css.cells} role="group" aria-label="What is there">
        {COVERS.map(([cover, word]) =>
          cell(told.cover === cover, word, () => {
            const next = told.cover === cover ? 'none' : cover;
            tell({ cover: next, coverDistanceM: COVER_AT_M[next] });
          }),
        )}
        {EDGES.map(([edge, word]) =>
          cell(told.edge === edge, word, () => tell({ edge: told.edge === edge ? 'none' : edge })),
        )}
        {cell(told.foam, 'Foam line', () => tell({ foam: !told.foam }))}
        {cell(told.shaded, 'In the shade', () => tell({ shaded: !told.shaded }))}
      </div>
      <MoreTold told={told} tell={tell} units={units} note={note} onNote={setNote} />
      {saving.refused.length > 0 && <NotTakenHere queue={saving} />}
      <KeptReads
        reads={kept.reads}
        beats={beats}
        units={units}
        onPin={pin}
        onDrop={(read) => kept.drop(read.id)}
      />
      {heat.kind !== 'fine' && <HeatLines heat={heat} tempC={told.waterTempC} units={units} />}
      <ReadResult
        reading={reading}
        units={units}
        saved={
          justKept
            ? saving.problem
              ? saving.problem
              : saving.waiting > 0
                ? 'Saved on this phone.'
                : 'Kept in the book.'
            : null
        }
        onKeep={keep}
      />
    </>
  );
}
