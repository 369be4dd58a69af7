import { notFound } from 'next/navigation';
import { feltSoundings } from '@/core/formats/index';
import { newSketch, type Sketch } from '@/core/water/index';
import { newSurvey, SketchPage, SurveyPage, type SurveyDraft } from '@/making/index';
import { openBeat, openDraft, settings } from '@/services/index';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';

interface Props {
  params: Promise<{ way: string; id: string }>;
  searchParams: Promise<{ beat?: string; stream?: string }>;
}

async function metadataOf({ params }: Props) {
  return { title: `${(await params).way === 'sketch' ? 'Sketch' : 'Survey'}, Pebble Lane` };
}

/** A draft as it was left; or a new one, empty or from a beat that is to be changed. */
async function MakePage({ params, searchParams }: Props) {
  const { way, id } = await params;
  if ((way !== 'sketch' && way !== 'survey') || !/^[A-Za-z0-9-]{1,64}$/.test(id)) notFound();
  const { beat: beatId, stream } = await searchParams;
  const { units, anglerHeightM } = await settings();
  const kept = await openDraft(id);
  const changes = kept.ok ? kept.value.beatId : beatId;
  const opened = changes ? await openBeat(changes) : null;
  const felt = opened?.ok ? feltSoundings(opened.value.beat.plan) : [];
  if (kept.ok && kept.value.kind === way) {
    const { streamName, body } = kept.value;
    const draft = { id, streamName, beatId: kept.value.beatId, isKept: true };
    return way === 'sketch' ? (
      <SketchPage
        draft={{ ...draft, kind: 'sketch', body: body as Sketch }}
        felt={felt}
        units={units}
      />
    ) : (
      <SurveyPage draft={{ ...draft, kind: 'survey', body: body as SurveyDraft }} units={units} />
    );
  }
  if (opened && !opened.ok) notFound();
  const beat = opened?.ok ? opened.value.beat : null;
  const draft = { id, streamName: beat?.streamName ?? stream ?? '', beatId: beat?.id ?? null };
  if (way === 'sketch') {
    const from = beat?.madeFrom?.kind === 'sketch' ? (beat.madeFrom.sketch as Sketch) : null;
    const body = from ?? newSketch('', anglerHeightM);
    return <SketchPage draft={{ ...draft, kind: 'sketch', body }} felt={felt} units={units} />;
  }
  const photo =
    beat?.madeFrom?.kind === 'survey' ? (beat.madeFrom.photo as SurveyDraft['photo']) : null;
  const body: SurveyDraft = beat ? { plan: beat.plan, photo } : newSurvey('');
  return <SurveyPage draft={{ ...draft, kind: 'survey', body }} units={units} />;
}

export const generateMetadata = forPaired(metadataOf);
export default forPaired(MakePage);
