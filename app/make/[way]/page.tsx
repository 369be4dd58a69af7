import { randomUUID } from 'node:crypto';
import { notFound, redirect } from 'next/navigation';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';

interface Props {
  params: Promise<{ way: string }>;
  searchParams: Promise<{ beat?: string; stream?: string }>;
}

/**
 * A draft that begins gets its name here, so that what leads to it is a plain link: it works from the
 * first moment the page is there.
 */
async function BeginPage({ params, searchParams }: Props) {
  const { way } = await params;
  if (way !== 'sketch' && way !== 'survey') notFound();
  const { beat, stream } = await searchParams;
  const from = new URLSearchParams({ ...(beat && { beat }), ...(stream && { stream }) });
  redirect(`/make/${way}/${randomUUID()}?${from.toString()}`);
}

export default forPaired(BeginPage);
