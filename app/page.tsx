import Link from 'next/link';
import { beatsInBook } from '@/services/index';
import { BeatSketch } from './beat-sketch';
import { OpenBeatFile } from './open-beat-file';

export const dynamic = 'force-dynamic';

export default async function StartPage() {
  const beats = await beatsInBook();
  return (
    <main className="start">
      <h1>Pebble Lane</h1>
      <p className="lead">
        Where a trout can hold in this water, where you are seen, where to stand, and how long the
        fly drifts clean.
      </p>
      {beats.length > 0 && <h2>Your beats</h2>}
      {beats.map((b) => (
        <Link key={b.id} href={`/b/${b.id}/read`} className="beat" prefetch={false}>
          <span>
            <strong>{b.name}</strong>
            <br />
            <span>
              {b.streamName}, {b.plan.lengthM} m, surveyed at {b.plan.surveyedLevel.toLowerCase()}{' '}
              level
            </span>
          </span>
          <span className="open">Read this water</span>
          <BeatSketch plan={b.plan} />
        </Link>
      ))}
      <h2>{beats.length > 0 ? 'Open another beat' : 'Begin with a beat'}</h2>
      <OpenBeatFile empty={beats.length === 0} />
      <p className="care">
        Wading, heat, falling timber, lightning and hooks can hurt. What is computed here is never a
        promise that a place is safe, and local rules, closures and access decide.
      </p>
    </main>
  );
}
