import { notFound } from 'next/navigation';
import { CardPage } from '@/workspace/card/card-page';
import { beatInput, queryText } from '../beat-input.server';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

async function metadataOf({ params }: Props) {
  const beat = await beatInput((await params).id);
  return { title: beat ? `Card of ${beat.plan.name}, Pebble Lane` : 'Pebble Lane' };
}

async function Card({ params, searchParams }: Props) {
  const beat = await beatInput((await params).id);
  if (!beat) notFound();
  return <CardPage beat={beat} query={queryText(await searchParams)} />;
}

export const generateMetadata = forPaired(metadataOf);
export default forPaired(Card);
