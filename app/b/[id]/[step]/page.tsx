import { notFound } from 'next/navigation';
import { Workspace } from '@/workspace/index';
import { beatInput, queryText } from '../beat-input.server';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';

interface Props {
  params: Promise<{ id: string; step: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

async function metadataOf({ params }: Props) {
  const beat = await beatInput((await params).id);
  return { title: beat ? `${beat.plan.name}, Pebble Lane` : 'Pebble Lane' };
}

async function BeatPage({ params, searchParams }: Props) {
  const { id, step } = await params;
  const beat = await beatInput(id);
  if (!beat) notFound();
  return <Workspace beat={beat} step={step} query={queryText(await searchParams)} />;
}

export const generateMetadata = forPaired(metadataOf);
export default forPaired(BeatPage);
