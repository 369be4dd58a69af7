import { notFound } from 'next/navigation';
import { nowMs, openBeat, readsInBook, settings } from '@/services/index';
import { Workspace, type BeatInput } from '@/plan/index';

export const dynamic = 'force-dynamic';

interface Props {
  params: Promise<{ id: string; step: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export async function generateMetadata({ params }: Props) {
  const opened = await openBeat((await params).id);
  return { title: opened.ok ? `${opened.value.beat.plan.name}, Pebble Lane` : 'Pebble Lane' };
}

export default async function BeatPage({ params, searchParams }: Props) {
  const { id, step } = await params;
  const opened = await openBeat(id);
  if (!opened.ok) notFound();
  const query = new URLSearchParams();
  for (const [key, value] of Object.entries(await searchParams))
    if (typeof value === 'string') query.set(key, value);
  const { beat, marks, rises, tries } = opened.value;
  const input = {
    id,
    streamName: beat.streamName,
    plan: beat.plan,
    marks: marks.map(({ beatId: _beat, ...mark }) => mark),
    rises: rises.map(({ beatId: _beat, ...rise }) => rise),
    tries: tries.map(({ beatId: _beat, ...attempt }) => attempt),
    reads: (await readsInBook(id)) as BeatInput['reads'],
    settings: await settings(),
    nowMs: nowMs(),
  };
  return <Workspace beat={input} step={step} query={query.toString()} />;
}
